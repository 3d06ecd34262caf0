'use client';

import { CodesSection } from './CodesSection';
import { ComplaintSection } from './ComplaintSection';
import { HistorySection } from './HistorySection';
import { NextTimeNotes } from './NextTimeNotes';

/** What the customer says, what is stored, and what was done before. */
export function ArrivalScreen() {
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-8 px-5 pt-4 pb-16 lg:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
      <ComplaintSection />
      <div className="space-y-8">
        <NextTimeNotes />
        <CodesSection />
        <HistorySection />
      </div>
    </div>
  );
}
