import { strToU8 } from 'fflate';
import { writeTrace } from '@/core/formats';
import type { PhotoRecord, TraceRecord } from '../records';
import { bytesOf, safeName, two, type Files } from './zipFile';

/** Puts logs as they came, as canonical CSV, and second logs among the files; returns what job.json says of them. */
export async function packTraces(traces: readonly TraceRecord[], files: Files): Promise<object[]> {
  const out: object[] = [];
  for (const [i, trace] of traces.entries()) {
    const file = `logs/${two(i + 1)} ${safeName(trace.fileName)}`;
    files[file] = await bytesOf(trace.raw);
    files[`logs/${two(i + 1)} canonical.csv`] = strToU8(writeTrace(trace.trace));
    const { companion, id, fileName, importedAt, options } = trace;
    const beside = companion ? `logs/${two(i + 1)} beside ${safeName(companion.fileName)}` : '';
    if (companion) files[beside] = await bytesOf(companion.raw);
    out.push({
      ...{ id, file, fileName, importedAt, options },
      simulated: trace.simulated === true,
      second: companion
        ? { file: beside, fileName: companion.fileName, channels: companion.channels, alignment: companion.alignment }
        : null,
    });
  }
  return out;
}

/** Puts photos among the files; returns what job.json says of them. */
export async function packPhotos(photos: readonly PhotoRecord[], files: Files): Promise<object[]> {
  const out: object[] = [];
  for (const [i, { id, stage, caption, at, image }] of photos.entries()) {
    const file = `photos/${two(i + 1)}.${image.type.split('/')[1] ?? 'bin'}`;
    files[file] = await bytesOf(image);
    out.push({ id, file, stage, caption, at, type: image.type });
  }
  return out;
}
