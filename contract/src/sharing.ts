import * as z from 'zod';

/** What a paired tablet may do: everything, or tick steps off. */
export const TABLET_ROLES = ['edit', 'tick'] as const;
export type TabletRole = (typeof TABLET_ROLES)[number];
export const tabletRoleSchema = z.enum(TABLET_ROLES);

export const tabletNameSchema = z
  .string()
  .trim()
  .min(1, 'a tablet needs a name')
  .max(40, 'at most 40 characters');

/** A tablet that was paired. */
export const tabletSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: tabletRoleSchema,
  pairedAt: z.string(),
  /** Last time it asked for anything, or null. */
  seenAt: z.string().nullable(),
});
export type Tablet = z.infer<typeof tabletSchema>;

/** A code that pairs one tablet, once, for a while. */
export const offerSchema = z.object({
  code: z.string(),
  role: tabletRoleSchema,
  until: z.string(),
  /** Addresses to open on the tablet, the likeliest first, each with a QR code as SVG. */
  links: z.array(z.object({ address: z.string(), qrSvg: z.string() })),
});
export type Offer = z.infer<typeof offerSchema>;

/** `GET /api/sharing`: only this computer may ask. */
export const sharingSchema = z.object({
  isOpen: z.boolean(),
  /** Where the studio network reaches the program; empty while it is closed. */
  addresses: z.array(z.string()),
  tablets: z.array(tabletSchema),
  offer: offerSchema.nullable(),
});
export type SharingState = z.infer<typeof sharingSchema>;

/** `PUT /api/sharing`. */
export const putSharingSchema = z.strictObject({ isOpen: z.boolean() });
/** `POST /api/sharing/offers`. */
export const postOfferSchema = z.strictObject({ role: tabletRoleSchema });
/** `PATCH /api/sharing/tablets/:id`. */
export const patchTabletSchema = z.strictObject({ role: tabletRoleSchema });

/** `POST /api/pair`: from a tablet on the studio network. */
export const postPairSchema = z.strictObject({
  code: z
    .string()
    .transform((code) => code.replace(/\D/g, ''))
    .pipe(z.string().regex(/^\d{8}$/, 'a pairing code has eight digits')),
  name: tabletNameSchema,
});

/** `GET /api/me`: which tablet asks; null is this computer. */
export const meSchema = z.object({
  tablet: z.object({ name: z.string(), role: tabletRoleSchema }).nullable(),
});
export type Me = z.infer<typeof meSchema>;
