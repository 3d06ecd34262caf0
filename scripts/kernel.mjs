/**
 * Compiles the twin's kernel (src/core/twin/kernel/assembly) and writes it beside its host as text that any bundler and
 * Node can carry. Usage: npm run kernel [-- --check]: with --check it only says whether the file is what the source gives.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import asc from 'assemblyscript/asc';

const folder = path.join(import.meta.dirname, '../src/core/twin/kernel');
/** Static data of the kernel begins here; below lies the header, see layout.ts. */
const DATA_FROM = 1024;

/** Compiles the source. Throws with what the compiler said. */
async function compile() {
  let binary = null;
  const source = path.join(folder, 'assembly/twinKernel.ts');
  const options = ['-O3', '--runtime', 'stub', '--noAssert', '--enable', 'simd', '--importMemory'];
  const places = ['--memoryBase', String(DATA_FROM), '-o', 'kernel.wasm'];
  const { error, stderr } = await asc.main([source, ...options, ...places], {
    // The compiler looks for a file in several places.
    readFile: (name) => (existsSync(name) ? readFileSync(name, 'utf8') : null),
    writeFile: (_, contents) => {
      binary = contents;
    },
    listFiles: () => [],
  });
  if (error) throw new Error(`${error.message}\n${String(stderr)}`);
  return binary;
}

const file = path.join(folder, 'kernelBinary.ts');
const text = [
  '/** The compiled kernel, base64: made by `npm run kernel`, never by hand. */',
  `export const KERNEL_BINARY =\n  '${Buffer.from(await compile()).toString('base64')}';`,
  '',
].join('\n');
if (process.argv.includes('--check')) {
  if (readFileSync(file, 'utf8') !== text) {
    process.stderr.write(`${path.relative(process.cwd(), file)} is not what its source gives: run npm run kernel\n`);
    process.exit(1);
  }
} else {
  writeFileSync(file, text);
  process.stdout.write(`${path.relative(process.cwd(), file)}: ${text.length} characters\n`);
}
