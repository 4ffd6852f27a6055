/** Downloads a text as a file. */
export const download = (name: string, text: string, type: string): void => downloadBytes(name, text, type);

/** Downloads bytes as a file. */
export function downloadBytes(name: string, text: BlobPart, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = name;
  link.click();
  // The browser has started the download by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}
