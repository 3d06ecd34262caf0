import { type Compiled, type Engine, loadCompiled, thisEngine } from '../../base';
import { KERNEL_BINARY } from './kernelBinary';

/** The compiled twin and its memory. */
export type Kernel = Compiled<{
  /** Runs what lies in memory. @param directions an even number, or 0 for the run alone */
  readonly run: (directions: number) => void;
  /** Runs the four that lie in memory side by side. */
  readonly runFour: () => void;
}>;

/** Loads the kernel; null where the engine cannot run it. */
export const loadKernel = (engine: Engine): Kernel | null => loadCompiled(KERNEL_BINARY, engine);

let loaded: Kernel | null | undefined;

/** The kernel, loaded when first asked for; null where this engine cannot run it. */
export const twinKernel = (): Kernel | null => (loaded === undefined ? (loaded = loadKernel(thisEngine())) : loaded);
