import { Zip, ZipDeflate, ZipPassThrough } from 'fflate';

/** Bytes after which what is packed is handed to the browser, which keeps it outside of this program's memory. */
const HAND_OVER_BYTES = 8 * 1024 * 1024;
/** A zip archive without its extension for larger ones. Source: ISO/IEC 21320-1:2015, 32-bit sizes. */
const LARGEST_BYTES = 4 * 1024 ** 3 - 1;
const MOST_FILES = 65_535;
/** Bytes packed at once. */
const PIECE = 256 * 1024;
/** A good half of the effort: logs and JSON shrink to a fifth, and little more beyond. */
const LEVEL = 5;

/** A zip archive being written, file after file, into a blob. */
export class ZipStream {
  private pending: Uint8Array[] = [];
  private pendingBytes = 0;
  private bytes = 0;
  private files = 0;
  private blob = new Blob([]);
  private error: Error | null = null;
  private readonly zip = new Zip((error, chunk) => {
    this.error ??= error;
    if (error) return;
    this.pending.push(chunk);
    this.pendingBytes += chunk.length;
    this.bytes += chunk.length;
    if (this.pendingBytes > HAND_OVER_BYTES) this.handOver();
  });

  /**
   * Adds a file.
   *
   * @param packs whether packing makes it smaller: pictures are packed already
   * @throws {RangeError} where the archive grows larger than one can be
   */
  async add(name: string, content: Blob | string, packs = true): Promise<void> {
    this.files++;
    const file = packs ? new ZipDeflate(name, { level: LEVEL }) : new ZipPassThrough(name);
    this.zip.add(file);
    const blob = typeof content === 'string' ? new Blob([content]) : content;
    for (let at = 0; at < blob.size; at += PIECE) {
      const piece = blob.slice(at, at + PIECE);
      file.push(new Uint8Array(await piece.arrayBuffer()), false);
      this.check();
    }
    file.push(new Uint8Array(0), true);
    this.check();
  }

  /** The whole archive. */
  end(): Blob {
    this.zip.end();
    this.check();
    this.handOver();
    return new Blob([this.blob], { type: 'application/zip' });
  }

  private handOver(): void {
    this.blob = new Blob([this.blob, ...(this.pending as BlobPart[])]);
    this.pending = [];
    this.pendingBytes = 0;
  }

  private check(): void {
    if (this.error) throw this.error;
    if (this.bytes > LARGEST_BYTES || this.files > MOST_FILES) {
      throw new RangeError(
        'This shop is larger than one backup file can be (4 GB). Save old jobs as files, delete them.',
      );
    }
  }
}
