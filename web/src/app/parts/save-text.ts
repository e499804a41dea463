/** Saves a text as a file of this device, as a link with a download does. */
export function saveText(name: string, type: string, text: string): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // Once the browser has taken it.
  setTimeout(() => {
    URL.revokeObjectURL(address);
  }, 1000);
}
