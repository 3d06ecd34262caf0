import http from 'node:http';
import { expect, test as plain } from '@playwright/test';
import { newJob, PORT, test } from './support';

/** An answer to a request that a browser would not make. */
const ask = (
  options: http.RequestOptions,
): Promise<{ status: number; body: string; headers: http.IncomingHttpHeaders }> =>
  new Promise((resolve, reject) => {
    const request = http.request({ host: '127.0.0.1', port: PORT, path: '/', ...options }, (response) => {
      let body = '';
      response.on('data', (part: Buffer) => (body += part.toString()));
      response.on('end', () => resolve({ status: response.statusCode!, body, headers: response.headers }));
    });
    request.on('error', reject);
    request.end();
  });

test('answers to this machine only, and takes nothing in', async () => {
  for (const host of ['127.0.0.1:1', 'localhost', 'LOCALHOST:3000', '[::1]:80']) {
    expect((await ask({ headers: { host } })).status, host).toBe(200);
  }
  for (const host of ['evil.example', '127.0.0.1.evil.example', 'localhost.evil.example:3000', '192.168.0.7']) {
    for (const path of ['/', '/sw.js', '/icon.svg', '/_next/static/x.js', '/demo/garage.json']) {
      const { status, body } = await ask({ headers: { host }, path });
      expect(status, `${host} ${path}`).toBeGreaterThanOrEqual(400);
      expect(body).not.toContain('<script');
    }
  }
  for (const method of ['POST', 'PUT', 'DELETE', 'OPTIONS', 'PATCH']) {
    expect((await ask({ method })).status, method).toBe(405);
  }
});

test('every answer says what a page may do; only the page of the adapter may ask for a serial port', async () => {
  const nonces = new Set<string>();
  for (const path of ['/', '/vehicles', '/jobs/x/drive', '/jobs/x/drive/live', '/offline.js', '/nowhere']) {
    const { headers, body } = await ask({ path });
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("frame-ancestors 'none'");
    const scripts = policy.split('; ').find((d) => d.startsWith('script-src'))!;
    expect(scripts).not.toMatch(/'unsafe-(inline|eval)'/);
    const nonce = /'nonce-([^']+)'/.exec(scripts)![1]!;
    expect(nonces.has(nonce)).toBe(false);
    nonces.add(nonce);
    for (const tag of body.match(/<script\b[^>]*>/g) ?? []) {
      if (!tag.includes(' src=')) expect(tag, path).toContain(`nonce="${nonce}"`);
    }
    const allowed = String(headers['permissions-policy']).includes('serial=(self)');
    expect(allowed, path).toBe(path.endsWith('/live'));
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
  }
});

plain('a script that got into a page does not run, and no other host is reached', async ({ page }) => {
  const reached: string[] = [];
  page.on('requestfinished', (r) => reached.push(new URL(r.url()).host));
  await newJob(page, 'Van 71');
  const ran = await page.evaluate(async () => {
    const state = window as unknown as { ran?: string[] };
    state.ran = [];
    const script = document.createElement('script');
    script.textContent = 'window.ran.push("inline")';
    document.body.append(script);
    const box = document.createElement('div');
    box.innerHTML = '<img src="x" onerror="window.ran.push(\'handler\')">';
    document.body.append(box);
    const outside = document.createElement('script');
    outside.src = 'http://203.0.113.9/x.js';
    document.body.append(outside);
    const fetched = await fetch('http://203.0.113.9/').then(
      () => 'fetched',
      () => 'refused',
    );
    await new Promise((done) => setTimeout(done, 500));
    return [...state.ran, fetched];
  });
  expect(ran).toEqual(['refused']);
  expect(reached.filter((host) => !host.startsWith('127.0.0.1'))).toEqual([]);
});
