/** The nonce of this page's content policy, for what makes style sheets of its own while it runs; empty on the server. */
export const pageNonce = (): string =>
  typeof window === 'undefined' ? '' : ((window as Window & { __nonce__?: string }).__nonce__ ?? '');
