import type { Scene, Session } from './sessionSchema';

/** The scenes as they are read: those somebody gave a place, then the others; what is put away comes last. */
export function scenesInOrder({ scenes }: Pick<Session, 'scenes'>): readonly Scene[] {
  const rank = ({ archived, position }: Scene): readonly [number, number] => [
    archived === true ? 1 : 0,
    position ?? Infinity,
  ];
  // Sorting keeps what is equal in the order of the list; two without a place differ by NaN.
  return [...scenes].sort((a, b) => {
    const [[awayA, atA], [awayB, atB]] = [rank(a), rank(b)];
    return awayA - awayB || (atA === atB ? 0 : atA - atB);
  });
}
