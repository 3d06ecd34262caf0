/** Hands bytes to the browser as a download. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ');
  link.click();
  URL.revokeObjectURL(url);
}

/** Hands a text to the browser as a download. */
export const saveFile = (name: string, text: string, type: string): void => saveBlob(name, new Blob([text], { type }));
