import { offlineFiles } from '@/server/offlineFiles';

/** Says to the worker that answers without the server what this build consists of; its own steps stand in /offline.js. */
export function GET(): Response {
  const files = offlineFiles(process.cwd());
  return new Response(`self.OFFLINE = ${JSON.stringify(files)};\nimportScripts('/offline.js');\n`, {
    headers: { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-store' },
  });
}
