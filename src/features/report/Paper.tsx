'use client';

import { Download, Printer } from 'lucide-react';
import { useRef, useState, type ReactNode } from 'react';
import { useJob } from '@/job/JobProvider';
import { saveFile } from '@/ui/saveFile';
import { UnitsProvider, useUnits } from '@/ui/units';
import { READER_UNITS, type ReaderUnits } from './readerUnits';
import { REPORT_CSS } from './reportCss';

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c]!);

/** A page that needs nothing but itself: no script, no font, no picture from anywhere. */
const wholePage = (title: string, paper: HTMLElement): string =>
  `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">` +
  `<title>${escaped(title)}</title><style>body{margin:14mm;background:#fff}@media print{body{margin:0}@page{margin:14mm}}${REPORT_CSS}</style>` +
  `</head>\n<body>${paper.outerHTML}</body></html>\n`;

/** A report as it is printed, with the ways to take it along. */
export function Paper({
  title,
  json,
  ready,
  children,
}: {
  /** Name of its files. */
  title: string;
  /** What the report holds, as it is saved. */
  json: () => object;
  /** False while a figure is still being worked out: an unfinished report is not handed out. */
  ready: boolean;
  children: ReactNode;
}) {
  const { vehicle } = useJob();
  const paper = useRef<HTMLElement>(null);
  const shop = useUnits();
  const [reader, setReader] = useState<ReaderUnits>('shop');
  const name = `${vehicle.plate} ${title}`;
  return (
    <>
      <div className="flex flex-wrap items-center gap-3 py-3 print:hidden">
        <button type="button" className="btn min-h-11 btn-primary" disabled={!ready} onClick={() => window.print()}>
          <Printer aria-hidden className="size-5" /> Print, or save as PDF
        </button>
        <button
          type="button"
          className="btn min-h-11"
          disabled={!ready}
          onClick={() => paper.current && saveFile(`${name}.html`, wholePage(name, paper.current), 'text/html')}
        >
          <Download aria-hidden className="size-5" /> HTML
        </button>
        <button
          type="button"
          className="btn min-h-11"
          disabled={!ready}
          onClick={() => saveFile(`${name}.json`, `${JSON.stringify(json(), null, 2)}\n`, 'application/json')}
        >
          <Download aria-hidden className="size-5" /> JSON
        </button>
        <label className="flex items-center gap-2">
          <span className="type-label whitespace-nowrap">Written in</span>
          <select
            className="select"
            aria-label="Units of the reader"
            value={reader}
            onChange={(e) => setReader(e.target.value as ReaderUnits)}
          >
            {Object.entries(READER_UNITS).map(([key, { says }]) => (
              <option key={key} value={key}>
                {says}
              </option>
            ))}
          </select>
        </label>
        {!ready && <span className="type-label">Working it out</span>}
      </div>
      <style>{REPORT_CSS}</style>
      <div className="border border-base-content/20 bg-white p-6 print:border-0 print:p-0">
        <UnitsProvider units={READER_UNITS[reader].units ?? shop}>
          <article ref={paper} className="paper" data-testid="paper">
            {children}
          </article>
        </UnitsProvider>
      </div>
    </>
  );
}
