/** A repair that lies open: the ferry office's car, drained, its thermostat out, the new one not here yet. */
const AT = Date.UTC(2026, 10, 20, 9, 0);
const minute = (n: number) => AT + 60_000 * n;

const item = (id: string, kind: string, name: string, at: number, more: object = {}) => ({
  ...{ id, kind, name, at, label: id.replace('demo-', ''), place: '', backAt: null },
  ...more,
});
const part = (id: string, name: string, more: object) => ({ id, name, work: 'replaced-thermostat', ...more });

export const FERRY_REPAIR = {
  plan: {
    works: ['replaced-thermostat'],
    fault: 'thermostat-opens-early',
    faultWords: 'first movement at 65 °C in hot water, stamped 89',
    parts: [
      part('demo-part-1', 'Thermostat', {
        ...{ rated_c: 89, build: 'insert', source: 'maker', sealIncluded: true, vent: true },
        ...{ price: 52, deposit: 8, waitDays: 2, warrantyUntil: '2028-11-30', note: 'ordered by the quay store' },
      }),
      part('demo-part-2', 'Seal of the thermostat', { price: 4 }),
    ],
    extras: ['hoses'],
    coolant: {
      ...{ glycol: 'ethylene', kind: 'concentrate', ready_pct: 50, container_l: 1.5, containerPrice: 11 },
      ...{ approvalInCar: 'KV 17-B', approvalNew: 'KV 17-B', water: 'demineralised' },
    },
    minutesPlanned: 90,
    references: [
      { id: 'demo-ref-1', what: 'Housing screws', value: '9 N·m', source: 'maker’s manual', page: '19-4' },
      { id: 'demo-ref-2', what: 'Capacity', value: '6.2 l', source: 'handbook', page: '212' },
    ],
    have: ['demo-part-2', 'Funnel', 'Jug with marks'],
  },
  safe: {
    place: 'hall, bay 2',
    weather: 'dry, 6 °C',
    done: { place: minute(0), 'spill-kit': minute(2), cool: minute(3) },
  },
  strip: {
    items: [
      item('demo-1', 'clamp', 'Clamp, upper hose', minute(22), { place: 'mark at the lug' }),
      item('demo-2', 'hose', 'Upper hose', minute(24)),
      item('demo-3', 'connector', 'Plug of the sender', minute(26)),
      item('demo-4', 'bolt', 'Housing screw, long', minute(29), {
        ...{
          place: 'top',
          thread: 'M6',
          head_mm: 10,
          length_mm: 35,
          torque_nm: 9,
          torqueSource: 'maker’s manual 19-4',
        },
      }),
      item('demo-5', 'bolt', 'Housing screw, short', minute(30), {
        ...{
          place: 'bottom',
          thread: 'M6',
          head_mm: 10,
          length_mm: 22,
          torque_nm: 9,
          torqueSource: 'maker’s manual 19-4',
        },
      }),
      item('demo-6', 'thermostat', 'Thermostat', minute(33), { note: 'vent was up' }),
    ],
    counts: { plugs: { in: 1, out: 0 }, rags: { in: 0, out: 0 }, clamps: { in: 0, out: 0 }, tools: { in: 0, out: 0 } },
    capOff: true,
  },
  drain: {
    ...{ shortfall_l: 0.2, start_pct: 50, drainEach_l: 3.4 },
    lines: [
      { id: 'demo-l-1', at: minute(15), kind: 'drained', l: 3.4, measuredBy: 'jug', where: 'Radiator tap' },
      { id: 'demo-l-2', at: minute(31), kind: 'drained', l: 0.5, measuredBy: 'jug', where: 'Housing' },
      { id: 'demo-l-3', at: minute(31), kind: 'spilled', l: 0.2, measuredBy: 'eye', where: 'Housing' },
    ],
  },
  fill: { coldest_c: -24 },
};
