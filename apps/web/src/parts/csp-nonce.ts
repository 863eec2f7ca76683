/** The word by which the page's own style elements are let through; undefined where the page was served without one. */
export const cspNonce = document.querySelector<HTMLElement>('meta[property="csp-nonce"]')?.nonce;
