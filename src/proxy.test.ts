import { NextRequest } from 'next/server';
import { describe, expect, it, vi } from 'vitest';
import { proxy } from './proxy';

const policyOf = () =>
  proxy(new NextRequest('http://localhost/')).headers.get('Content-Security-Policy') ?? '';

describe('content security policy', () => {
  it('lets nothing in from elsewhere, no eval, and scripts only by nonce', () => {
    vi.stubEnv('NODE_ENV', 'production');
    const policy = policyOf();
    expect(policy).not.toContain('unsafe-eval');
    expect(policy).not.toMatch(/https?:/);
    expect(policy).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic'/);
    expect(policy).toContain("connect-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    vi.unstubAllEnvs();
  });

  it('has a new nonce for each page', () => {
    expect(policyOf()).not.toBe(policyOf());
  });
});
