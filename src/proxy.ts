import { NextResponse, type NextRequest } from 'next/server';
import { securityHeaders } from './server/securityHeaders';

/** Names under which this machine calls itself: a page elsewhere that points its own name here is not answered. */
const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d{1,5})?$/i;

/** Methods of a program that takes nothing in: everything stays in the browser. */
const METHODS: readonly string[] = ['GET', 'HEAD'];

const refused = (status: number, why: string): NextResponse =>
  new NextResponse(`${why}\n`, { status, headers: { 'Content-Type': 'text/plain; charset=utf-8' } });

/** Every request passes here first: from this machine only, reading only, and answered with what a page may do. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get('host') ?? '';
  if (!LOOPBACK.test(host)) return refused(421, 'Varmek answers to this machine only: open it as 127.0.0.1.');
  if (!METHODS.includes(request.method)) return refused(405, 'Varmek takes nothing in over the network.');
  const nonce = btoa(crypto.randomUUID());
  const headers = securityHeaders(request.nextUrl.pathname, nonce);
  const passed = new Headers(request.headers);
  passed.set('x-nonce', nonce);
  // Next reads the nonce for its own scripts from here.
  passed.set('Content-Security-Policy', headers['Content-Security-Policy']!);
  const response = NextResponse.next({ request: { headers: passed } });
  for (const [name, value] of Object.entries(headers)) response.headers.set(name, value);
  return response;
}
