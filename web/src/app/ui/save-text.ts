/** Hands a file to the browser to keep. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}

/** Hands a text to the browser as a file to keep. */
export const saveText = (name: string, text: string, type: string): void => {
  saveBlob(name, new Blob([text], { type }));
};
