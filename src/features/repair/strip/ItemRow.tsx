'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import { Camera, ChevronDown, ChevronUp } from 'lucide-react';
import Image from 'next/image';
import { useEffect, useMemo, useState } from 'react';
import { UNITS, unitOf } from '@/core/base';
import { fastenerDoubt, inchFor, torqueDoubt, type StripItem } from '@/core/repair';
import { useJob } from '@/job/JobProvider';
import { useWrite } from '@/job/useWrite';
import { addPhoto, loadPhoto } from '@/storage/photos';
import { FileButton } from '@/ui/FileButton';
import { RangedInput } from '@/ui/RangedInput';
import { TextField } from '@/ui/TextField';
import { isScrew } from './stripItem';

function ItemPhoto({ photoId, name }: { photoId: string; name: string }) {
  const photo = useLiveQuery(() => loadPhoto(photoId), [photoId]);
  const url = useMemo(() => (photo ? URL.createObjectURL(photo.image) : null), [photo]);
  useEffect(() => () => (url === null ? undefined : URL.revokeObjectURL(url)), [url]);
  if (url === null) return null;
  return (
    <a href={url} target="_blank" rel="noreferrer">
      <Image unoptimized src={url} alt={`Photo: ${name}`} width={96} height={72} className="h-14 w-20 object-cover" />
    </a>
  );
}

/** A torque in the three units of wrenches. */
function torqueIn(nm: number): string {
  return UNITS.torque
    .map(
      ({ symbol }) =>
        `${unitOf('torque', symbol)
          .fromSi(nm)
          .toFixed(nm < 10 ? 1 : 0)} ${symbol}`,
    )
    .join(', ');
}

/** Thread, head, length and torque of a screw. */
function ScrewFields({
  item,
  soft,
  onItem,
}: {
  item: StripItem;
  soft: boolean;
  onItem: (to: Partial<StripItem>) => void;
}) {
  const doubts = [fastenerDoubt(item.thread, item.head_mm), soft ? torqueDoubt(item.torque_nm) : null];
  const inches = item.head_mm === null ? [] : inchFor(item.head_mm);
  const size = (key: 'head_mm' | 'length_mm', label: string, high: number) => (
    <RangedInput
      id={`${key}-${item.id}`}
      label={label}
      family={null}
      unit="mm"
      value={item[key]}
      low={1}
      high={high}
      hint={key === 'head_mm' && inches.length > 0 ? `${inches.join(', ')} in fits` : ''}
      onValue={(v) => onItem({ [key]: v })}
      onEmptied={() => onItem({ [key]: null })}
    />
  );
  return (
    <>
      <TextField
        id={`thread-${item.id}`}
        label="Thread"
        className="w-24"
        hint="M6"
        value={item.thread}
        onText={(thread) => onItem({ thread })}
      />
      {size('head_mm', 'Head', 100)}
      {size('length_mm', 'Length', 2000)}
      <RangedInput
        id={`torque-${item.id}`}
        label="Torque"
        family="torque"
        value={item.torque_nm}
        low={0.1}
        high={2000}
        hint={item.torque_nm === null ? 'any unit: 9 lb ft' : torqueIn(item.torque_nm)}
        onValue={(torque_nm) => onItem({ torque_nm })}
        onEmptied={() => onItem({ torque_nm: null })}
      />
      <TextField
        id={`source-${item.id}`}
        label="Value from, page"
        className="w-44"
        value={item.torqueSource}
        onText={(torqueSource) => onItem({ torqueSource })}
      />
      {doubts.map(
        (says) =>
          says && (
            <p key={says} className="basis-full border-l-4 border-warning pl-3 text-sm">
              {says}
            </p>
          ),
      )}
    </>
  );
}

/** One thing that came off: in a line, opened for what is noted about it, and put back with one press. */
export function ItemRow({
  item,
  soft,
  first,
  stopped,
  onItem,
}: {
  item: StripItem;
  soft: boolean;
  /** It is the next to go on. */
  first: boolean;
  /** Something fell and is not found: nothing goes on. */
  stopped: boolean;
  onItem: (to: Partial<StripItem>, says?: string) => void;
}) {
  const { job } = useJob();
  const write = useWrite();
  const [open, setOpen] = useState(false);
  const back = item.backAt !== null;
  const take = async (file: File) => {
    const photo = await write(addPhoto({ jobId: job.id, stage: 'repair', caption: item.name, image: file }));
    if (photo) onItem({ photoId: photo.id });
  };
  const detail = [
    item.place,
    item.thread,
    item.head_mm === null ? '' : `head ${item.head_mm} mm`,
    item.length_mm === null ? '' : `${item.length_mm} mm long`,
    item.torque_nm === null ? '' : torqueIn(item.torque_nm),
    item.note,
  ].filter((d) => d !== '');
  return (
    <li className={`border-t border-base-content/20 py-1.5 ${first ? 'border-l-8 border-l-primary pl-3' : ''}`}>
      <div className="flex items-center gap-3">
        <span className="w-9 text-center text-2xl type-sign" title="Label">
          {item.label}
        </span>
        <div className="min-w-0 flex-1">
          <p className={`text-xl leading-tight ${back ? 'text-base-content/75 line-through' : 'font-bold'}`}>
            {item.name}
          </p>
          {detail.length > 0 && <p className="text-sm leading-snug">{detail.join(', ')}</p>}
        </div>
        {item.photoId !== null && <ItemPhoto photoId={item.photoId} name={item.name} />}
        <button
          type="button"
          className="btn btn-square min-h-14 min-w-14 btn-ghost print:hidden"
          aria-expanded={open}
          aria-label={`Note ${item.name}`}
          onClick={() => setOpen(!open)}
        >
          {open ? <ChevronUp aria-hidden className="size-6" /> : <ChevronDown aria-hidden className="size-6" />}
        </button>
        <button
          type="button"
          className={`btn min-h-14 min-w-24 btn-lg print:hidden ${back ? 'btn-ghost' : first ? 'btn-primary' : 'btn-outline'}`}
          aria-label={back ? `Off again: ${item.name}` : `On: ${item.name}`}
          disabled={stopped && !back}
          onClick={() =>
            onItem({ backAt: back ? null : Date.now() }, back ? `${item.name} is off.` : `${item.name} is on.`)
          }
        >
          {back ? 'Off again' : 'On'}
        </button>
      </div>
      {open && (
        <div className="mt-2 mb-3 ml-12 flex flex-wrap items-start gap-x-5 gap-y-2 print:hidden">
          <TextField
            id={`name-${item.id}`}
            label="What"
            className="w-56"
            value={item.name}
            onText={(name) => onItem({ name })}
          />
          <TextField
            id={`label-${item.id}`}
            label="Label"
            className="w-24"
            most={60}
            value={item.label}
            onText={(label) => onItem({ label })}
          />
          <TextField
            id={`place-${item.id}`}
            label="Where it sat"
            className="min-w-48 flex-1"
            hint="top left, long one"
            value={item.place}
            onText={(place) => onItem({ place })}
          />
          {isScrew(item.kind) && <ScrewFields item={item} soft={soft} onItem={onItem} />}
          <TextField
            id={`note-${item.id}`}
            label="Remark"
            className="min-w-56 flex-1"
            value={item.note}
            onText={(note) => onItem({ note })}
          />
          <div className="pt-5">
            <FileButton label={`Photo of ${item.name}`} accept="image/*" onFile={(file) => void take(file)}>
              <Camera aria-hidden className="size-5" /> Photo
            </FileButton>
          </div>
        </div>
      )}
    </li>
  );
}
