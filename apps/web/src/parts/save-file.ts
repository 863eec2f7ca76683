/** Hands a file to the browser to be saved. */
export function saveBlob(blob: Blob, name: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  // The browser has read it by then.
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** The same with text. */
export const saveFile = (text: string, name: string, type: string): void =>
  saveBlob(new Blob([text], { type }), name);
