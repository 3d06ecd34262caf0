import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

/** What stands in an address in place of an id, in the copies of pages that are kept for use without the server. */
export const placeholder = (name: string): string => `offline-${name}-placeholder`;

/** What a copy of this build consists of. */
export interface OfflineFiles {
  /** Of this build and this way of starting it. */
  readonly version: string;
  /** Addresses of files. */
  readonly assets: readonly string[];
  /** Addresses of pages, a placeholder for every id. */
  readonly pages: readonly string[];
}

/** Files below a folder, as addresses below a prefix. */
function filesBelow(folder: string, prefix: string): string[] {
  if (!existsSync(folder)) return [];
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const at = `${prefix}/${encodeURIComponent(entry.name)}`;
    return entry.isDirectory() ? filesBelow(path.join(folder, entry.name), at) : [at];
  });
}

/** The build's own list of what it answers to. */
function routesOf(built: string): { readonly pages: string[]; readonly icons: string[] } {
  const file = path.join(built, 'app-path-routes-manifest.json');
  const routes = JSON.parse(readFileSync(file, 'utf8')) as Readonly<Record<string, string>>;
  const of = (kind: string) =>
    Object.entries(routes)
      .filter(([from, to]) => from.endsWith(kind) && !to.startsWith('/_'))
      .map(([, to]) => to);
  return {
    pages: of('/page').map((route) => route.replace(/\[(\w+)\]/g, (_, name: string) => placeholder(name))),
    icons: of('/route').filter((route) => route !== '/sw.js'),
  };
}

/** Lists everything that the program needs once the server is gone. @param root folder of the project */
export function offlineFiles(root: string): OfflineFiles {
  const built = path.join(root, '.next');
  const build = readFileSync(path.join(built, 'BUILD_ID'), 'utf8').trim();
  const { pages, icons } = routesOf(built);
  const assets = [
    ...filesBelow(path.join(built, 'static'), '/_next/static').filter((file) => !file.endsWith('.map')),
    ...filesBelow(path.join(root, 'public'), '').filter((file) => file !== '/offline.js'),
    ...icons,
  ];
  return { version: `${build}${process.env.VARMEK_DEMO === '1' ? ' demo' : ''}`, assets, pages };
}
