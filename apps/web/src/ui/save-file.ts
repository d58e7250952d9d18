/** Hands a text, or the bytes of a file, to the browser as a file of that name. */
export function saveFile(
  name: string,
  type: string,
  content: string | Uint8Array<ArrayBuffer>,
): void {
  const url = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
