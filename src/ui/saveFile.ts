/** By then the browser has taken a download up, however large, ms. */
const TAKEN_AFTER_MS = 60_000;

/** Hands bytes to the browser as a download. */
export function saveBlob(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name.replace(/[\\/:*?"<>|]+/g, ' ');
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), TAKEN_AFTER_MS);
}

/** Hands a text to the browser as a download. */
export const saveFile = (name: string, text: string, type: string): void => saveBlob(name, new Blob([text], { type }));
