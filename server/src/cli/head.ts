import type { CliRequest } from './request';

/** What every JSON answer starts with. */
export const headOf = ({
  studio,
  session,
  scene,
}: CliRequest): { studio: string; session: string; scene: string } => ({
  studio: studio.name,
  session: session.name,
  scene: scene.name,
});

/** The same as a line of text. */
export const titleOf = (request: CliRequest): string => Object.values(headOf(request)).join(' · ');
