/** The text of the field or choice an event comes from. */
export function valueOf(event: Event): string {
  return (event.target as HTMLInputElement | HTMLSelectElement).value;
}
