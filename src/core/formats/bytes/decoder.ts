/** Text from bytes that come in pieces. */
export interface Decoder {
  decode(bytes?: Uint8Array, options?: { stream: boolean }): string;
}

/** Every engine that runs this has one; core is compiled without the types of any. */
declare const TextDecoder: new (encoding: string) => Decoder;

/** A decoder for an encoding. */
export const decoderOf = (encoding: string): Decoder => new TextDecoder(encoding);
