'use client';

import { Dialog } from '@/ui/Dialog';

const SHORTCUTS: readonly (readonly [string, string])[] = [
  ['?', 'This list'],
  ['g j', 'Jobs'],
  ['g v', 'Vehicles'],
  ['g m', 'Many logs'],
  ['g b', 'Bench tests without a job'],
  ['g p', 'Procedures of the shop'],
  ['g h', 'History over all jobs'],
  ['g l', 'Practice: learn on made-up cars'],
  ['n', 'New job'],
  ['/', 'Search jobs'],
  ['↑ ↓ Enter', 'Choose a job in the list'],
  ['g f', 'The shop’s own figures'],
  ['1 … 9, q, r', 'Stage of a job: arrival, cold look, drive, trace, desk, bench, case, decide, repair, prove, report'],
  ['← →', 'Entry by entry in the picture of the odds'],
  ['← → PgUp PgDn', 'On the desk: the cursor; held until Esc'],
  ['Shift ← →', 'On the desk: the view'],
  ['+ − 0', 'On the desk: zoom in, out, whole drive'],
  ['Enter', 'On the desk: a mark at the cursor'],
  ['e', 'All evidence of a job'],
  ['Ctrl Z', 'Undo the last change of a job, after a reload too; with Shift, do it again'],
  ['g k', 'What is kept: backup, bin'],
  ['o', 'Open a log file on a job'],
  ['t', 'Light or dark'],
  ['Esc', 'Close'],
];

/** The keyboard shortcuts, as a dialog. */
export function ShortcutHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog title="Keyboard" open={open} onClose={onClose}>
      <dl className="grid grid-cols-[8rem_1fr] gap-y-2">
        {SHORTCUTS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt>
              <kbd className="kbd">{keys}</kbd>
            </dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
