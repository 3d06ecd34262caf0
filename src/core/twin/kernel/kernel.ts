import { KERNEL_BINARY } from './kernelBinary';

/** The compiled twin and its memory. */
export interface Kernel {
  /** Runs what lies in memory. @param directions an even number, or 0 for the run alone */
  readonly run: (directions: number) => void;
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
    ) => { readonly exports: { readonly run: (directions: number) => void } };
  };
}

const PAGE = 65_536;
const PAGES = 4;

/** Compiles the kernel; null where the engine cannot. */
export function loadKernel({ atob, WebAssembly }: Engine): Kernel | null {
  if (!WebAssembly) return null;
  const text = atob(KERNEL_BINARY);
  const bytes = Uint8Array.from(text, (c) => c.charCodeAt(0));
  const memory = new WebAssembly.Memory({ initial: PAGES });
  let compiled: object;
  try {
    compiled = new WebAssembly.Module(bytes);
  } catch {
    // An engine without vector instructions, or a page that forbids compiling: the reference does the same, slower.
    return null;
  }
  const { run } = new WebAssembly.Instance(compiled, { env: { memory } }).exports;
  let view = new Float64Array(memory.buffer);
  return {
    run,
    memory: (numbers) => {
      const short = numbers * 8 - memory.buffer.byteLength;
      if (short > 0) memory.grow(Math.ceil(short / PAGE));
      if (view.buffer !== memory.buffer) view = new Float64Array(memory.buffer);
      return view;
    },
  };
}

let loaded: Kernel | null | undefined;

/** The kernel, loaded when first asked for; null where this engine cannot run it. */
export const twinKernel = (): Kernel | null =>
  loaded === undefined ? (loaded = loadKernel(globalThis as unknown as Engine)) : loaded;
