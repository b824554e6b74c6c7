import * as z from 'zod';

/** What a paired device may do: everything, or tick steps off. */
export const DEVICE_ROLES = ['edit', 'tick'] as const;
export type DeviceRole = (typeof DEVICE_ROLES)[number];
export const deviceRoleSchema = z.enum(DEVICE_ROLES);

export const deviceNameSchema = z
  .string()
  .trim()
  .min(1, 'a device needs a name')
  .max(40, 'at most 40 characters');

/** A device that was paired. */
export const pairedDeviceSchema = z.object({
  id: z.string(),
  name: z.string(),
  role: deviceRoleSchema,
  pairedAt: z.string(),
  /** Last time it asked for anything, or null. */
  seenAt: z.string().nullable(),
});
export type PairedDevice = z.infer<typeof pairedDeviceSchema>;

/** A code that pairs one device, once, for a while. */
export const offerSchema = z.object({
  code: z.string(),
  role: deviceRoleSchema,
  until: z.string(),
  /** Addresses to open on the other device, the likeliest first, each with a QR code as SVG. */
  links: z.array(z.object({ address: z.string(), qrSvg: z.string() })),
});
export type Offer = z.infer<typeof offerSchema>;

/** `GET /api/sharing`: only this computer may ask. */
export const sharingSchema = z.object({
  isOpen: z.boolean(),
  /** Where the studio network reaches the program; empty while it is closed. */
  addresses: z.array(z.string()),
  devices: z.array(pairedDeviceSchema),
  offer: offerSchema.nullable(),
});
export type SharingState = z.infer<typeof sharingSchema>;

/** `PUT /api/sharing`. */
export const putSharingSchema = z.strictObject({ isOpen: z.boolean() });
/** `POST /api/sharing/offers`. */
export const postOfferSchema = z.strictObject({ role: deviceRoleSchema });
/** `PATCH /api/sharing/devices/:id`. */
export const patchDeviceSchema = z.strictObject({ role: deviceRoleSchema });

/** `POST /api/pair`: from a device on the studio network. */
export const postPairSchema = z.strictObject({
  code: z
    .string()
    .transform((code) => code.replace(/\D/g, ''))
    .pipe(z.string().regex(/^\d{8}$/, 'a pairing code has eight digits')),
  name: deviceNameSchema,
});

/** `GET /api/me`: which device asks; null is this computer. */
export const meSchema = z.object({
  device: z.object({ name: z.string(), role: deviceRoleSchema }).nullable(),
});
export type Me = z.infer<typeof meSchema>;
