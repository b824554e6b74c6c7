import type { StudioFindings } from '@ft/contract/studios';
import { findingCounts } from '@ft/core/views/sessions/findingCounts';
import { sessionLines } from '@ft/core/views/sessions/sessionLines';
import type { Documents } from '../studios/documents';
import { studioOf } from '../studios/documents';
import type { Tell } from './jobProgress';

/** What is found in each session that is not put away. */
export function findingsTask(documents: Documents, tell: Tell): StudioFindings {
  const studio = studioOf(documents);
  const lines = sessionLines(studio).filter(({ session }) => session.archived !== true);
  return {
    sessions: lines.flatMap(({ session, place, scene }, at) => {
      tell(`Checking ${session.name}`, at, lines.length);
      const counts = findingCounts(studio, place);
      return counts === undefined ? [] : [{ id: session.id, scene, ...counts }];
    }),
  };
}
