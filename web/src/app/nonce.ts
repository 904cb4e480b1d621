/** The nonce of this answer, for styles made at run time; empty in development. */
export const nonce = document.querySelector<HTMLMetaElement>('meta[property=csp-nonce]')?.nonce ?? '';
