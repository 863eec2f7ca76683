import { z } from 'zod';
import { row } from './api.ts';
import { Photo } from './photos.ts';
import { roles } from './rights.ts';
import { Hex, Id, Name } from './scalars.ts';
import { Delivery } from './site-log.ts';

/** Length over kind of characters (NIST SP 800-63B; OWASP ASVS 4, V2.1.1 and V2.1.2). */
export const SHORTEST_PASSWORD = 12;
const LONGEST_PASSWORD = 128;

/** As it is chosen. */
export const NewPassword = z
  .string()
  .min(SHORTEST_PASSWORD, `needs at least ${SHORTEST_PASSWORD} characters: three or four words will do`)
  .max(LONGEST_PASSWORD);
/** As it is typed to sign in: whatever it is, it is compared. */
const Password = z.string().min(1).max(LONGEST_PASSWORD);
export const PinCode = z.string().regex(/^\d{4,8}$/, 'must be four to eight digits');

/** Somebody who may come in. */
export const Account = z.strictObject({
  id: Id,
  name: Name,
  role: z.enum(roles),
  /** Which of the crew they are. */
  crewId: Id.optional(),
});
export type Account = z.infer<typeof Account>;

export const AccountRow = z.strictObject({
  ...row(Account).shape,
  hasPassword: z.boolean(),
  hasPin: z.boolean(),
  /** An invitation that was not used yet ends then. */
  invitedUntil: z.iso.datetime({ offset: true }).nullable(),
  /** When one of their devices asked for something last. */
  lastSeenAt: z.iso.datetime({ offset: true }).nullable(),
  /** On so many devices. */
  signedIn: z.int(),
});
export type AccountRow = z.infer<typeof AccountRow>;

/** A link as it is handed on: the token is told this once. */
export const Handed = z.strictObject({ token: z.string(), until: z.iso.datetime({ offset: true }) });
export type Handed = z.infer<typeof Handed>;

/** Who asks, and what they may do. */
export const Me = z.strictObject({
  /** Its name; empty where several use one installation and this device has not said which. */
  workshop: z.string(),
  /** Its short name, where several use one installation: whoever signs in says it. */
  workshopId: z.string().nullable(),
  /** Nobody has a password yet: whoever sits at this computer is the owner. */
  isOpen: z.boolean(),
  /** Null where nobody is signed in. */
  account: Account.nullable(),
  /** This device is a shared phone: its name, and who signs in there with a PIN. */
  phone: z.strictObject({ name: Name, people: z.array(z.strictObject({ id: Id, name: Name })) }).nullable(),
});
export type Me = z.infer<typeof Me>;

export const FirstOwner = z.strictObject({ name: Name, password: NewPassword });
export type FirstOwner = z.infer<typeof FirstOwner>;
export const SignIn = z.strictObject({
  /** Short name of the workshop; where it is left out the one that this device knows. */
  workshop: Id.optional(),
  name: Name,
  password: Password,
});
export type SignIn = z.infer<typeof SignIn>;
export const PinSignIn = z.strictObject({ accountId: Id, pin: PinCode });
export const ChangePassword = z.strictObject({ current: Password, password: NewPassword });
export type ChangePassword = z.infer<typeof ChangePassword>;

/** 32 random bytes, base64url; before them the workshop, where several use one installation. */
export const Token = z.string().regex(/^([a-z0-9-]{1,60}\.)?[\w-]{43}$/, 'is not a link of ours');
/** What an invitation is for. */
export const Invitation = z.strictObject({ workshop: z.string(), name: Name, role: z.enum(roles) });
export type Invitation = z.infer<typeof Invitation>;
export const AcceptInvitation = z.strictObject({ token: Token, password: NewPassword });

export const SharedPhone = z.strictObject({ id: Id, name: Name, since: z.iso.datetime({ offset: true }) });
export type SharedPhone = z.infer<typeof SharedPhone>;

/** A link that lets a client or somebody of the venue see one job. */
export const JobLink = z.strictObject({
  id: Id,
  /** Whom it is for. */
  name: Name,
  until: z.iso.datetime({ offset: true }),
  signedOff: z
    .strictObject({ by: Name, at: z.iso.datetime({ offset: true }), remarks: z.string() })
    .nullable(),
});
export type JobLink = z.infer<typeof JobLink>;
/** A link by which somebody's calendar reads their tasks. */
export const CalendarLink = z.strictObject({
  id: Id,
  /** Of the crew. */
  personId: Id,
  until: z.iso.datetime({ offset: true }),
});
export type CalendarLink = z.infer<typeof CalendarLink>;
export const NewJobLink = z.strictObject({ name: Name, days: z.int().min(1).max(90) });
export type NewJobLink = z.infer<typeof NewJobLink>;
export const SignOff = z.strictObject({ token: Token, by: Name, remarks: z.string().max(1000) });
export type SignOff = z.infer<typeof SignOff>;

/** Asks for one of the photos that are shown by a link, and what comes: the picture as base64. */
export const SharedPhotoAsked = z.strictObject({ token: Token, photo: Id });
export const SharedPhoto = z.strictObject({ type: Photo.shape.type, content: z.string() });
export type SharedPhoto = z.infer<typeof SharedPhoto>;

/** What a client or somebody of the venue sees of a job: nothing of people, stock and money. */
export const SharedJob = z.strictObject({
  workshop: z.string(),
  for: Name,
  name: z.string(),
  place: z.string(),
  timeZone: z.string(),
  units: z.enum(['imperial', 'metric']),
  doors: z.iso.datetime({ offset: true }),
  /** When the crew comes, and when it is to be built, checked and handed over; null where no plan keeps to the hours given. */
  arrives: z.iso.datetime({ offset: true }).nullable(),
  ready: z.iso.datetime({ offset: true }).nullable(),
  strike: z.iso.datetime({ offset: true }).nullable(),
  pieces: z.array(
    z.strictObject({
      name: z.string(),
      spot: z.string(),
      colours: z.array(z.strictObject({ name: z.string(), hex: Hex })),
    }),
  ),
  until: z.iso.datetime({ offset: true }),
  signedOff: JobLink.shape.signedOff,
  /** What is handed over as things stand, or as it was when it was signed by this link. */
  delivery: Delivery,
});
export type SharedJob = z.infer<typeof SharedJob>;
