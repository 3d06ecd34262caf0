/** The part of the browser's Web Serial that logging needs; the stand-in offers the same. */
export interface SerialPortLike {
  readonly readable: ReadableStream<Uint8Array> | null;
  readonly writable: WritableStream<Uint8Array> | null;
  open(options: { baudRate: number }): Promise<void>;
  close(): Promise<void>;
}

interface WebSerial {
  requestPort(): Promise<SerialPortLike>;
}

/** The browser's Web Serial; null where it has none. */
export function webSerial(): WebSerial | null {
  const { serial } = navigator as Navigator & { serial?: WebSerial };
  return serial ?? null;
}
