'use client';

import { useLiveQuery } from 'dexie-react-hooks';
import type { Vehicle } from '@/core/base';
import type { CautionId } from '@/core/cautions';
import { catalogueItem, type ItemId } from '@/core/evidence';
import { AnswerItem } from '@/job/AnswerItem';
import { Cautions } from '@/job/Cautions';
import { useKeep } from '@/job/useKeep';
import { loadOrder, saveOrder } from '@/storage/settings';
import { inShopOrder, OrderedList } from '@/ui/OrderedList';

interface TreeStep {
  readonly key: ItemId;
  readonly name: string;
  readonly note: string;
  readonly cautions?: readonly CautionId[];
}

const ELECTRIC: readonly TreeStep[] = [
  {
    key: 'fan-fuse',
    name: 'Fuse: rating, element, supply on both sides',
    note: 'A blown one has a reason: measure the current before a new one is trusted.',
    cautions: ['same-fuse'],
  },
  {
    key: 'fan-commanded',
    name: 'Command: scan tool, or air conditioning on',
    note: 'Air conditioning and defrost ask for the radiator fan. The cabin blower does not: it running proves nothing.',
    cautions: ['fan-starts-alone'],
  },
  {
    key: 'fan-bridged',
    name: 'Relay bridged, or fused supply at the plug',
    note: 'Runs: relay, wire or command. Still: motor.',
    cautions: ['fan-starts-alone'],
  },
  {
    key: 'fan-plug',
    name: 'Plug and relay base: heat, colour, smell of plastic',
    note: 'Brown or melted: renew the contact, not only the part.',
  },
  {
    key: 'look-fan-stiff',
    name: 'Blades by hand, unplugged',
    note: 'Stiff or rubbing: it blows its fuse again.',
    cautions: ['fan-starts-alone'],
  },
  {
    key: 'fan-cuts-in',
    name: 'Idle until hot: in and out again',
    note: 'The proof. Stay with it.',
    cautions: ['stay-with-it', 'carbon-monoxide'],
  },
];

const VISCOUS: readonly TreeStep[] = [
  {
    key: 'clutch-roar',
    name: 'Roar by the clock: from cold at 2500 rpm',
    note: 'A sound clutch roars hot and is quiet below; it may roar for a minute after a cold start.',
    cautions: ['fan-clutch', 'belts-and-fan', 'revving-in-place'],
  },
  {
    key: 'look-belt',
    name: 'Belt that drives it',
    note: 'A slipping belt is lost air and lost flow.',
    cautions: ['belts-and-fan'],
  },
];

/** The steps of a fan's kind; every one is an item whose answer moves the odds. */
const stepsOf = (kind: Vehicle['fan']['kind']): readonly TreeStep[] => (kind === 'electric' ? ELECTRIC : VISCOUS);

/** The fan's fault tree: ticked off by answering, in the order that the shop prefers. */
export function FaultTree({ vehicle }: { vehicle: Vehicle }) {
  const keep = useKeep();
  const stored = useLiveQuery(() => loadOrder('fan-order'), []);
  const steps = inShopOrder(stepsOf(vehicle.fan.kind), stored ?? null);
  return (
    <OrderedList
      testId="fan-tree"
      items={steps.map((step) => ({
        key: step.key,
        name: step.name,
        content: (
          <>
            <p className="text-sm leading-snug">{step.note}</p>
            {step.cautions && <Cautions className="mt-1" of={step.cautions} />}
            <div className="my-1.5">
              <AnswerItem item={step.key} label={catalogueItem(step.key).ask} />
            </div>
          </>
        ),
      }))}
      onMove={(order) => keep(() => saveOrder('fan-order', order))}
    />
  );
}
