const MB = 1024 * 1024;

/** A size as a person says it. */
export function megabytes(bytes: number): string {
  if (bytes < MB) return `${Math.max(1, Math.round(bytes / 1024))} kB`;
  return bytes < 1024 * MB
    ? `${(bytes / MB).toFixed(bytes < 10 * MB ? 1 : 0)} MB`
    : `${(bytes / MB / 1024).toFixed(1)} GB`;
}
