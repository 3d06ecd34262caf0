import type { Parser } from 'htmlparser2';
import { decoderOf } from '../bytes/decoder';
import type { Archive } from '../bytes/zipArchive';
import type { ImportError } from '../importError';

export type Attributes = Readonly<Record<string, string>>;

/** A name without the prefix of its namespace: writers choose the prefix. */
export const bare = (name: string): string => {
  const colon = name.indexOf(':');
  return colon < 0 ? name : name.slice(colon + 1);
};

/**
 * Feeds an XML part of an archive to a parser; nothing happens where it is missing.
 *
 * @param stopped what is wrong with what was read so far, if anything: then no more is
 */
export function readPart(
  archive: Archive,
  part: string,
  parser: Parser,
  stopped: () => ImportError | null = () => null,
): ImportError | null {
  const decoder = decoderOf('utf-8');
  const error = archive.unpack(part, (bytes) => {
    parser.write(decoder.decode(bytes, { stream: true }));
    return stopped();
  });
  if (!error) parser.end(decoder.decode());
  return error;
}
