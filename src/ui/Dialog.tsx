'use client';

import { useEffect, useId, useRef, type ReactNode } from 'react';

/** A modal dialog with a title and a button to close it; Escape and a click beside it close it too. */
export function Dialog({
  title,
  open,
  onClose,
  children,
  wide = false,
}: {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  /** For tables. */
  wide?: boolean;
}) {
  const dialog = useRef<HTMLDialogElement>(null);
  const titleId = useId();
  useEffect(() => {
    if (open) dialog.current?.showModal();
    else dialog.current?.close();
  }, [open]);
  return (
    <dialog ref={dialog} className="modal" aria-labelledby={titleId} onClose={onClose}>
      <div className={`modal-box ${wide ? 'max-w-4xl' : 'max-w-md'}`}>
        <h2 id={titleId} className="mb-4 text-2xl type-sign">
          {title}
        </h2>
        {children}
        <form method="dialog" className="mt-6 text-right">
          <button className="btn">Close</button>
        </form>
      </div>
      <form method="dialog" className="modal-backdrop">
        <button aria-label="Close">close</button>
      </form>
    </dialog>
  );
}
