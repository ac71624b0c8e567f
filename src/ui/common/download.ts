/** Hands a text or a picture to the browser as a file to save. */
export function download(fileName: string, content: string | Blob, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = fileName;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
