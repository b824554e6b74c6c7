import type { SessionKind } from '@ft/core/actions/sessions/sessionName';
import { readSessionName } from '@ft/core/actions/sessions/sessionName';
import { nameSchema } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';

/** A name that no other session, or template, of the studio has: refused at its field, so that what was typed stays. */
export const ownName = (kind: SessionKind, studio: () => Studio | null): typeof nameSchema =>
  nameSchema.superRefine((name, context) => {
    const now = studio();
    const read = now && readSessionName(now, kind, name);
    // A form ends its sentences itself.
    if (read?.ok === false) context.addIssue({ code: 'custom', message: read.sentence.replace(/\.$/, '') });
  });
