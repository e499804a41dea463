import { computeSetUp, judgeCombination, type SetUp, type SetUpContext } from '../../combination';
import { cautions, type GateStep, type Orientation } from '../../crimp';
import type { Criterion } from '../../look';
import type { Reason } from '../../verdict';
import { NOW } from '../shop';

/** A number as it can be compared to the last digit that anybody measures. */
const short = (value: number) => String(Number(value.toFixed(4)));
/** All that something says, its numbers likewise. */
export const whole = (of: object) =>
  JSON.stringify(of, (_, value: unknown) => (typeof value === 'number' ? Number(value.toFixed(4)) : value));
const numbers = (of: Readonly<Record<string, number>>) =>
  Object.entries(of)
    .map(([name, value]) => `${name} ${short(value)}`)
    .join(', ');
export const tellReason = (stage: string, { code, weight, text, numbers: own }: Reason) =>
  [`${stage} | ${weight} | ${code}: ${text}`, numbers(own)].filter(Boolean).join(' | ');
const tellOrientation = (end: number, way: Orientation) => [
  `way round ${end} | ${way.headline} ${way.why} | '${way.confirm}'`,
  `way round ${end} | critical ${way.critical}, angle ${way.angle}, turned ${way.turn}`,
  ...(way.wrong ? [`way round ${end} | wrong at ${way.wrong.angle}: ${way.wrong.text}`] : []),
];
const tellGate = (step: GateStep) => [
  `step ${step.key} | ${step.headline} ${step.why} | '${step.confirm}'`,
  ...(step.caution ? [`step ${step.key} | caution: ${step.caution}`] : []),
  `step ${step.key} | when not: ${step.remedies.join(', ')}${step.finds.length ? ` | finds ${step.finds.join(', ')}` : ''}`,
  ...step.points.flatMap(({ code, title, accept, faults }) => [
    `step ${step.key} | ${code}: ${title}: ${accept}`,
    ...(faults.length
      ? [`step ${step.key} | ${code} | ${faults.map((f) => `${f.code}: ${f.title} (${f.remedy})`).join('; ')}`]
      : []),
  ]),
];
const tellCriterion = ({ key, title, view, accept, findings, number }: Criterion) => [
  `look ${key} | ${title}, ${view}: ${accept} | ${findings.join(', ')}`,
  ...(number
    ? [
        `look ${key} | ${number.what} ${short(number.range.min)} to ${short(number.range.max)} ${number.unit}, ${number.measured}, outside ${number.outside}${number.mends ? `, mends ${short(number.mends.min)} to ${short(number.mends.max)}` : ''}`,
      ]
    : []),
];

function tellPreparation({ wires, budget, lost }: SetUp): string[] {
  return [
    ...wires.flatMap(({ preparation, end, number }) => {
      const name = `wire ${end}.${number}`;
      if (!preparation) return [`${name} | no stripper`];
      const { stripper, strip, notch } = preparation;
      const { reasons, ...numbers } = strip;
      return [
        `${name} | ${stripper.label}, notch ${notch.notch?.label ?? 'none'}`,
        tellReason(name, notch.reason),
        `${name} | ${whole(numbers)}`,
        ...reasons.map((each) => tellReason(name, each)),
      ];
    }),
    ...(lost ? [`lost | ${whole(lost)}`] : []),
    ...(budget ? [`budget | ${whole(budget)}`] : []),
  ];
}

/** Everything that is told of a set-up before anything is made, line by line. */
export function tellSetUp(context: SetUpContext): string[] {
  const setUp = computeSetUp(context, [], NOW);
  const { tool, toolChoice, orientation, other, limit, hold, retention, locator, forming } = setUp;
  const judged = judgeCombination(setUp, [], context, NOW);
  return [
    `fit | ${setUp.fit.verdict}${setUp.fit.folded ? ', folded back' : ''}`,
    ...setUp.fit.reasons.map((each) => tellReason('fit', each)),
    ...setUp.nearest.map((near) => `fit | nearest ${near.terminal.part}`),
    ...tellPreparation(setUp),
    ...toolChoice.reasons.map((each) => tellReason('tool', each)),
    ...toolChoice.candidates.flatMap((each) => [
      `tool ${each.tool.part}/${each.die.id}/${each.nest.id} | ${each.usable ? 'usable' : 'not usable'}, ${each.state.state}, ${each.listed ? 'listed' : 'by geometry'}; setting ${each.setting}, positioner ${each.positioner?.label ?? null}, insulation grip ${each.insulationPosition}, step down ${each.stepDown?.label ?? null}`,
      ...each.reasons.map((own) => tellReason(`tool ${each.tool.part}/${each.nest.id}`, own)),
    ]),
    ...(orientation ? tellOrientation(1, orientation) : []),
    ...(other?.orientation ? tellOrientation(2, other.orientation) : []),
    ...setUp.bites.map((bite, i) => `bite ${i + 1} | ${whole(bite)}`),
    ...setUp.biteNotes.map((each) => tellReason('bites', each)),
    ...setUp.gates.flatMap(tellGate),
    ...(forming
      ? [
          `forming | ${forming.nests.map((nest) => nest.label).join(', ')}; stroke ${forming.strokes}, last ${forming.last.label}`,
        ]
      : []),
    ...(locator
      ? [`locator | ${short(locator.wanted)} within ${short(locator.within)}`, tellReason('locator', locator.next)]
      : []),
    ...setUp.after.map((text) => `after | ${text}`),
    ...cautions(context.terminal, tool?.tool ?? null).map((text) => `caution | ${text}`),
    ...setUp.criteria.flatMap(tellCriterion),
    ...(setUp.pulledWith ? [`pull | ${setUp.pulledWith}`] : []),
    `pull | breaks near ${short(setUp.breaks)} N`,
    tellReason('limit', limit.reason),
    ...(hold ? [tellReason('hold', hold.reason), ...(hold.hold ? [`hold | ${whole(hold.hold)}`] : [])] : []),
    ...(retention ? [`retention | ${whole(retention)}`] : []),
    ...judged.stages.flatMap(({ stage, state, reasons }) => [
      `judged ${stage} | ${state}`,
      // What speaks for it was told above.
      ...reasons.filter(({ weight }) => weight === 'hold').map((each) => tellReason(`judged ${stage}`, each)),
    ]),
    `judged | ${judged.verdict}: ${judged.headline}`,
  ];
}

/** What a schema says of something: what it is where it is taken, else its issues in words, the first ones alone if told so. */
export function tellParsed(
  {
    success,
    error,
  }: { success: boolean; error?: { issues: readonly { message: string; path: readonly PropertyKey[] }[] } },
  is: string,
  most = Infinity,
): string {
  const tellIssue = ({ message, path }: { message: string; path: readonly PropertyKey[] }) =>
    [path.join('.'), message].filter(Boolean).join(' ');
  return success || !error ? is : error.issues.slice(0, most).map(tellIssue).join(' ');
}

/** What is said, each once, with all that it is said of. */
export function tellAlike<T>(said: readonly (readonly [said: string, of: T])[]): [string, T[]][] {
  const alike = new Map<string, T[]>();
  for (const [text, of] of said) alike.set(text, [...(alike.get(text) ?? []), of]);
  return [...alike];
}

/** What differs from how the family is told otherwise: lines of its own, and with '- ' before them those that are not told. */
export function tellChange(usual: readonly string[], own: readonly string[]): string[] {
  const [had, has] = [new Set(usual), new Set(own)];
  return [
    ...own.filter((line) => !had.has(line)),
    ...usual.filter((line) => !has.has(line)).map((line) => `- ${line}`),
  ];
}
