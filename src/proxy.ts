import { NextResponse, type NextRequest } from 'next/server';

/**
 * Strict content security policy: scripts and styles only with this response's nonce, nothing
 * from any other host. A worker has the policy of its own response, so files have one too: what the
 * page may not send no worker may. The development server needs eval and inline styles for its own
 * tools. Nothing here takes anything but a question.
 */
export function proxy(request: NextRequest) {
  if (request.method !== 'GET' && request.method !== 'HEAD')
    return new NextResponse('Nothing can be sent here.\n', {
      status: 405,
      headers: { allow: 'GET, HEAD', 'content-type': 'text/plain', ...ALWAYS },
    });
  const dev = process.env.NODE_ENV !== 'production';
  const { pathname } = request.nextUrl;
  if (isFile(pathname)) {
    const response = NextResponse.next();
    // Whether there is a new version is asked each time.
    if (pathname === '/sw.js') response.headers.set('cache-control', 'no-cache');
    for (const [k, v] of Object.entries(ALWAYS)) response.headers.set(k, v);
    if (!dev) response.headers.set('content-security-policy', FILES);
    return response;
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = [
    `default-src 'self'`,
    dev
      ? `script-src 'self' 'unsafe-eval' 'unsafe-inline'`
      : `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    dev ? `style-src 'self' 'unsafe-inline'` : `style-src 'self' 'nonce-${nonce}'`,
    `img-src 'self' blob: data:`,
    `font-src 'self'`,
    dev ? `connect-src 'self' ws:` : `connect-src 'self'`,
    `worker-src 'self'`,
    `manifest-src 'self'`,
    `object-src 'none'`,
    `base-uri 'self'`,
    `form-action 'self'`,
    `frame-ancestors 'none'`,
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  for (const [k, v] of Object.entries(ALWAYS)) response.headers.set(k, v);
  return response;
}

const isFile = (path: string) =>
  path.startsWith('/_next/static/') ||
  path.startsWith('/icons/') ||
  ['/icon.svg', '/sw.js', '/manifest.webmanifest'].includes(path);

const ALWAYS = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
} as const;

/** Of files: a script that runs as a worker may load its own pieces and ask its own host. */
const FILES = `default-src 'none'; script-src 'self'; connect-src 'self'; frame-ancestors 'none'`;

export const config = {
  matcher: ['/:path*'],
};
