/** What the kernel offers: AssemblyScript, made by `npm run kernel`. */
export { runFour } from './sideBySide';
export { run } from './twinKernel';
