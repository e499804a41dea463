/** A colour of the page by its name. */
export type Ink = (name: string) => string;

/** How words are written on a chart. */
export const chartText = (ink: Ink) => ({
  color: ink('ink-soft'),
  fontFamily: 'Saira Semi Condensed, sans-serif',
  fontSize: 14,
});

/** The page's colours, for what draws on a canvas. */
export function inks(): Ink {
  const style = getComputedStyle(document.documentElement);
  return (name) => style.getPropertyValue(`--${name}`).trim();
}
