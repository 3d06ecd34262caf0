/** What a compiled module offers, by name, and its memory. */
export interface Compiled<F> {
  readonly functions: F;
  /** All of memory as numbers; taken anew where it had to grow. @param numbers how many must fit */
  readonly memory: (numbers: number) => Float64Array;
}

interface WasmMemory {
  readonly buffer: ArrayBuffer;
  readonly grow: (pages: number) => number;
}

/** What is used of the engine that runs this: the language's own library does not know it. */
export interface Engine {
  readonly atob: (text: string) => string;
  readonly WebAssembly?: {
    readonly Memory: new (size: { initial: number }) => WasmMemory;
    readonly Module: new (bytes: Uint8Array) => object;
    readonly Instance: new (
      module: object,
      imports: Readonly<Record<string, Readonly<Record<string, unknown>>>>,
    ) => { readonly exports: unknown };
  };
}

const PAGE = 65_536;
const PAGES = 4;

/** Loads a module that `npm run kernel` compiled to text; null where the engine cannot run it. */
export function loadCompiled<F>(binary: string, { atob, WebAssembly }: Engine): Compiled<F> | null {
  if (!WebAssembly) return null;
  const bytes = Uint8Array.from(atob(binary), (c) => c.charCodeAt(0));
  const memory = new WebAssembly.Memory({ initial: PAGES });
  let compiled: object;
  try {
    compiled = new WebAssembly.Module(bytes);
  } catch {
    // An engine without vector instructions, or a page that forbids compiling: the reference does the same, slower.
    return null;
  }
  const { exports } = new WebAssembly.Instance(compiled, { env: { memory } });
  let view = new Float64Array(memory.buffer);
  return {
    functions: exports as F,
    memory: (numbers) => {
      const short = numbers * 8 - memory.buffer.byteLength;
      if (short > 0) memory.grow(Math.ceil(short / PAGE));
      if (view.buffer !== memory.buffer) view = new Float64Array(memory.buffer);
      return view;
    },
  };
}

/** The engine that this runs in. */
export const thisEngine = (): Engine => globalThis as unknown as Engine;
