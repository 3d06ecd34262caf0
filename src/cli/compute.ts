/**
 * Computations without a screen: `compute NAME < INPUT.json` answers one JSON object, or an array of them in the same
 * order. See docs/compute.md.
 */
import { text } from 'node:stream/consumers';
import { answerCompute } from './compute/answerCompute';
import { COMPUTATIONS } from './compute/computations';

const USAGE = `usage: npm run --silent compute -- NAME < INPUT.json
names: ${Object.keys(COMPUTATIONS).join(', ')}
`;

const [name, ...rest] = process.argv.slice(2);
const { status, stdout, stderr } =
  name === undefined || rest.length > 0
    ? { status: 2, stdout: '', stderr: 'one name is needed' }
    : await answerCompute(name, () => text(process.stdin));
if (status === 2) process.stderr.write(`compute: ${stderr}\n${USAGE}`);
process.stdout.write(stdout);
process.exitCode = status;
