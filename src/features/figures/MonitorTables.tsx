'use client';

import { TABLE_RANGE } from '@/core/case';
import {
  MONITOR_DEFAULTS,
  WARM_UP_KINDS,
  type MonitorSettings,
  type MonitorTables as Tables,
  type StartTable,
  type WarmUpKind,
} from '@/core/monitor';
import { NumberSetting } from './NumberSetting';

const KIND_TEXT: Readonly<Record<WarmUpKind, string>> = {
  'sound-vehicle': 'When the slowest sound vehicle of the kind would be warm',
  time: 'After a time, by start temperature',
  air: 'After so much air, by start temperature',
  fuel: 'After so much fuel, by start temperature',
};

const TABLE_TEXT: Readonly<Record<keyof Tables, readonly [title: string, unit: string]>> = {
  time: ['Time to be warm', 's'],
  air: ['Air to be warm, per litre of engine', 'g'],
  fuel: ['Fuel to be warm, per litre of engine', 'g'],
  closedLoop: ['Time to closed loop', 's'],
};

const MOST_ROWS = 12;

/** One table: a start temperature and what is allowed from it, straight in between. */
function Table({
  name,
  table,
  onChange,
}: {
  name: keyof Tables;
  table: StartTable;
  onChange: (t: StartTable) => void;
}) {
  const [title, unit] = TABLE_TEXT[name];
  const put = (i: number, part: 0 | 1, value: number) =>
    onChange(table.map((row, k) => (k !== i ? row : part === 0 ? [value, row[1]] : [row[0], value])));
  return (
    <div className="col-span-2">
      <p className="font-semibold">{title}</p>
      {table.map(([start_c, allowed], i) => (
        <div key={i} className="flex items-start gap-3">
          <NumberSetting
            id={`${name}-start-${i}`}
            label="Start"
            family="temperature"
            unit="°C"
            digits={0}
            own={start_c}
            shipped={start_c}
            low={(table[i - 1]?.[0] ?? -61) + 1}
            high={(table[i + 1]?.[0] ?? 121) - 1}
            onChange={(v) => v !== undefined && put(i, 0, v)}
          />
          <NumberSetting
            id={`${name}-allowed-${i}`}
            label="Allowed"
            unit={unit}
            digits={0}
            own={allowed}
            shipped={allowed}
            low={TABLE_RANGE[0]}
            high={TABLE_RANGE[1]}
            onChange={(v) => v !== undefined && put(i, 1, v)}
          />
          {table.length > 1 && (
            <button
              type="button"
              className="btn mt-6 btn-ghost btn-sm"
              aria-label={`Take row ${i + 1} of ${title.toLowerCase()} out`}
              onClick={() => onChange(table.filter((_, k) => k !== i))}
            >
              ✕
            </button>
          )}
        </div>
      ))}
      {table.length < MOST_ROWS && table.at(-1)![0] + 10 <= 120 && (
        <button
          type="button"
          className="btn btn-sm"
          onClick={() => onChange([...table, [table.at(-1)![0] + 10, table.at(-1)![1]]])}
        >
          Add a row
        </button>
      )}
    </div>
  );
}

/** What decides when the warm-up is due, with the tables that it goes by. */
export function MonitorTables({
  own,
  onChange,
}: {
  own: Partial<MonitorSettings>;
  onChange: (change: Partial<Pick<MonitorSettings, 'warmUp' | 'tables'>>) => void;
}) {
  const kind = own.warmUp ?? MONITOR_DEFAULTS.warmUp;
  const tables = own.tables ?? MONITOR_DEFAULTS.tables;
  const shown: (keyof Tables)[] = [...(kind === 'sound-vehicle' ? [] : [kind]), 'closedLoop'];
  return (
    <>
      <label className="col-span-2 block">
        <span className="block leading-tight font-semibold">The warm-up is due</span>
        <select
          id="warm-up-kind"
          className="select mt-1 w-full"
          value={kind}
          onChange={(e) => onChange({ warmUp: e.target.value as WarmUpKind })}
        >
          {WARM_UP_KINDS.map((k) => (
            <option key={k} value={k}>
              {KIND_TEXT[k]}
            </option>
          ))}
        </select>
      </label>
      {shown.map((name) => (
        <Table
          key={name}
          name={name}
          table={tables[name]}
          onChange={(t) => onChange({ tables: { ...tables, [name]: t } })}
        />
      ))}
    </>
  );
}
