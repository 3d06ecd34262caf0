'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Link } from '@/ui/Link';
import { useRouter } from 'next/navigation';
import {
  BLEED_PROCEDURES,
  GENTLE_FLUSH,
  ownProcedure,
  readDraft,
  readProcedureFile,
  writeProcedureFile,
  type Procedure,
} from '@/core/procedure';
import { parseJson } from '@/core/formats';
import { Cautions } from '@/job/Cautions';
import { useKeep } from '@/job/useKeep';
import { useWrite } from '@/job/useWrite';
import { putBackDeleted } from '@/storage/bin';
import { deleteProcedure, listProcedureRecords, putProcedure } from '@/storage/procedures';
import { FileButton } from '@/ui/FileButton';
import { saveFile } from '@/ui/saveFile';
import { useToast } from '@/ui/Toasts';

const about = (p: Procedure): string =>
  [p.variant, `${p.steps.length} steps`, p.source, p.page === '' ? '' : `page ${p.page}`]
    .filter((t) => t !== '')
    .join('. ');

/** Procedures: those that ship, which name no car, and the shop’s own. */
export function ProceduresScreen() {
  const own = useLiveQuery(listProcedureRecords, []) ?? [];
  const router = useRouter();
  const keep = useKeep();
  const write = useWrite();
  const toast = useToast();
  const begin = async (from: Procedure | null) => {
    const procedure = ownProcedure(crypto.randomUUID(), from);
    const put = await putProcedure(procedure);
    if (!put.ok) return toast({ kind: 'error', text: put.error.message });
    router.push(`/procedures/${procedure.id}`);
  };
  const open = async (file: File) => {
    const json = parseJson(await file.text());
    if (!json.ok) return toast({ kind: 'error', text: `${file.name}: ${json.error.message}` });
    const read = readProcedureFile(json.value);
    if (!read.ok) return toast({ kind: 'error', text: `${file.name}: ${read.error}` });
    // A file that was opened before comes beside it, never over it.
    const here = own.some((r) => r.id === read.value.id);
    const procedure = here ? { ...read.value, id: crypto.randomUUID() } : read.value;
    await write(putProcedure(procedure), { says: `${procedure.name} opened.` });
  };
  return (
    <div className="mx-auto max-w-5xl px-5 py-6">
      <div className="flex flex-wrap items-center gap-3">
        <h1 className="flex-1 text-4xl type-sign max-sm:basis-full">Procedures</h1>
        <FileButton
          label="Procedure file"
          accept=".json,application/json"
          testId="procedure-file"
          onFile={(f) => void open(f)}
        >
          Open a file
        </FileButton>
        <button type="button" className="btn btn-primary" onClick={() => void begin(null)}>
          Write one
        </button>
      </div>
      <h2 className="mt-6 text-2xl type-sign">Your own</h2>
      {own.length === 0 && (
        <p className="mt-1">
          None yet. Copy one below and put the maker’s engine speeds, times and page into it, or write one from nothing.
        </p>
      )}
      <ul data-testid="own-procedures">
        {own.map((record) => {
          const read = readDraft(record.procedure);
          const name = read.ok && read.value.name !== '' ? read.value.name : 'Without a name';
          return (
            <li key={record.id} className="flex flex-wrap items-center gap-3 border-t border-base-content/20 py-2">
              <div className="min-w-0 flex-1">
                <Link
                  href={`/procedures/${record.id}`}
                  className="text-xl type-sign underline-offset-4 hover:underline"
                >
                  {name}
                </Link>
                <p className="text-sm">{read.ok ? about(read.value) : `Cannot be read: ${read.error}`}</p>
              </div>
              {read.ok && (
                <button
                  type="button"
                  className="btn btn-ghost"
                  onClick={() => saveFile(`${name}.json`, writeProcedureFile(read.value), 'application/json')}
                >
                  Save as a file
                </button>
              )}
              <button
                type="button"
                className="btn btn-ghost"
                aria-label={`Delete ${name}`}
                onClick={() =>
                  keep(() => deleteProcedure(record.id, name), {
                    says: `${name} deleted.`,
                    undo: putBackDeleted,
                  })
                }
              >
                Delete
              </button>
            </li>
          );
        })}
      </ul>
      <h2 className="mt-8 text-2xl type-sign">Generic, shipped</h2>
      <ul data-testid="shipped-procedures">
        {[...BLEED_PROCEDURES, GENTLE_FLUSH].map((p) => (
          <li key={p.id} className="border-t border-base-content/20 py-2">
            <details>
              <summary className="flex min-h-11 cursor-pointer flex-wrap items-center gap-3">
                <span className="min-w-0 flex-1">
                  <span className="block text-xl type-sign">{p.name}</span>
                  <span className="text-sm">{about(p)}</span>
                </span>
              </summary>
              <ol className="ml-6 list-decimal leading-snug">
                {p.steps.map((s, i) => (
                  <li key={i}>{s.says}</li>
                ))}
              </ol>
              <button type="button" className="btn mt-2" onClick={() => void begin(p)}>
                Copy and change it
              </button>
            </details>
          </li>
        ))}
      </ul>
      <Cautions className="mt-6" of={['maker-first']} />
    </div>
  );
}
