import type { SectionLabel, SectionStroke } from './Micrograph';
import type { SectionReading } from './readSection';

const LABELS: Readonly<Record<SectionLabel, number>> = { outside: 0, barrel: 1, void: 2, strand: 3 };

/** The reading with what a person drew over it. */
export function mendSection(reading: SectionReading, strokes: readonly SectionStroke[]): SectionReading {
  const labels = reading.labels.slice();
  const cover = reading.cover.slice();
  const borders = reading.borders.slice();
  const { columns, rows } = reading;
  for (const { label, radius, points } of strokes) {
    points.forEach((to, i) => {
      const from = points[i - 1] ?? to;
      const steps = Math.max(1, Math.ceil(Math.hypot(to.x - from.x, to.y - from.y) / Math.max(1, radius / 2)));
      for (let step = 0; step <= steps; step++) {
        const x = from.x + ((to.x - from.x) * step) / steps;
        const y = from.y + ((to.y - from.y) * step) / steps;
        for (let cy = Math.max(0, Math.floor(y - radius)); cy <= Math.min(rows - 1, y + radius); cy++) {
          for (let cx = Math.max(0, Math.floor(x - radius)); cx <= Math.min(columns - 1, x + radius); cx++) {
            if ((cx + 0.5 - x) ** 2 + (cy + 0.5 - y) ** 2 > radius * radius) continue;
            const at = cy * columns + cx;
            labels[at] = LABELS[label];
            cover[at] = label === 'strand' ? 1 : 0;
            borders[at] = 0;
          }
        }
      }
    });
  }
  return { ...reading, labels, cover, borders };
}
