import type { FastifyReply } from 'fastify';

export const SESSION_COOKIE = 'lantern-session';
export const PHONE_COOKIE = 'lantern-phone';
/** The workshop that was signed in to last: no secret. */
export const WORKSHOP_COOKIE = 'lantern-workshop';

/** No script reads them, and no page of another site sends them along. */
const own = (isSecure: boolean) =>
  ({ path: '/', httpOnly: true, sameSite: 'strict', secure: isSecure }) as const;

/** A shared phone stays one until somebody says otherwise. */
const PHONE_DAYS = 400;

export function keepSession(reply: FastifyReply, token: string, endsAt: Date): void {
  reply.setCookie(SESSION_COOKIE, token, { ...own(isSecure(reply)), expires: endsAt });
}

export function dropSession(reply: FastifyReply): void {
  reply.clearCookie(SESSION_COOKIE, own(isSecure(reply)));
}

export function keepPhone(reply: FastifyReply, token: string): void {
  const expires = new Date(Date.now() + PHONE_DAYS * 86_400_000);
  reply.setCookie(PHONE_COOKIE, token, { ...own(isSecure(reply)), expires });
}

/** Where several use one installation a device signs in to the one that it was in last. */
export function keepWorkshop(reply: FastifyReply, id: string): void {
  const expires = new Date(Date.now() + PHONE_DAYS * 86_400_000);
  reply.setCookie(WORKSHOP_COOKIE, id, { ...own(isSecure(reply)), expires });
}

/** Over plain HTTP on this very machine a secure cookie would not come back. */
const isSecure = ({ request }: FastifyReply): boolean => request.protocol === 'https';
