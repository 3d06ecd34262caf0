/**
 * Compiles the kernels (src/core, twin/kernel and fit/kernel) and writes each beside its host as text that any bundler and
 * Node can carry. Usage: npm run kernel [-- --check]: with --check it only says whether the files are what their sources give.
 */
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import asc from 'assemblyscript/asc';

const core = path.join(import.meta.dirname, '../src/core');
/** What is compiled: source, text made of it, and the name that this is exported by. */
const KERNELS = [
  { source: 'twin/kernel/assembly/index.ts', text: 'twin/kernel/kernelBinary.ts', name: 'KERNEL_BINARY' },
  { source: 'fit/kernel/assembly/gram.ts', text: 'fit/kernel/gramBinary.ts', name: 'GRAM_BINARY' },
];
/** Static data of the kernel begins here; below lies the header, see layout.ts. */
const DATA_FROM = 1024;

/** Compiles the source. Throws with what the compiler said. */
async function compile(source) {
  let binary = null;
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

for (const { source, text, name } of KERNELS) {
  const file = path.join(core, text);
  const binary = Buffer.from(await compile(path.join(core, source))).toString('base64');
  const made = `/** A compiled kernel, base64: made by \`npm run kernel\`, never by hand. */\nexport const ${name} =\n  '${binary}';\n`;
  const told = path.relative(process.cwd(), file);
  if (process.argv.includes('--check')) {
    if (!existsSync(file) || readFileSync(file, 'utf8') !== made) {
      process.stderr.write(`${told} is not what its source gives: run npm run kernel\n`);
      process.exitCode = 1;
    }
  } else {
    writeFileSync(file, made);
    process.stdout.write(`${told}: ${made.length} characters\n`);
  }
}
