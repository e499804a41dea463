/** To a field by its id, unfolding the group it is in. */
export function goToField(id: string): void {
  const field = document.getElementById(id);
  const group = field?.closest('details');
  if (group) group.open = true;
  field?.scrollIntoView({ block: 'center' });
  field?.focus();
}
