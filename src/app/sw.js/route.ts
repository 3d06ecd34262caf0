import { offlineFiles } from '@/server/offlineFiles';

const script = (text: string): Response =>
  new Response(text, {
    headers: { 'Content-Type': 'text/javascript; charset=utf-8', 'Cache-Control': 'no-store' },
  });

/** While the program is being written its pages change under it: a copy of an earlier build takes itself away. */
const NO_COPY = `
self.addEventListener('install', () => self.skipWaiting());
self.addEventListener('activate', (event) => event.waitUntil((async () => {
  for (const name of await caches.keys()) if (name.startsWith('varmek ')) await caches.delete(name);
  await self.registration.unregister();
  for (const client of await self.clients.matchAll({ type: 'window' })) client.navigate(client.url);
})()));
`;

/** Says to the worker that answers without the server what this build consists of; its own steps stand in /offline.js. */
export function GET(): Response {
  if (process.env.NODE_ENV !== 'production') return script(NO_COPY);
  return script(`self.OFFLINE = ${JSON.stringify(offlineFiles(process.cwd()))};\nimportScripts('/offline.js');\n`);
}
