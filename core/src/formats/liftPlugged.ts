/** JSON read but not yet checked: only what is looked at here is known of it. */
type Loose = Readonly<Record<string, unknown>>;

const isLoose = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const listIn = (value: unknown, key: string): readonly unknown[] => {
  const list = isLoose(value) ? value[key] : undefined;
  return Array.isArray(list) ? list : [];
};

/** Any JSON without the marks of plugged cords, however deep they lie. */
export function withoutPlugged(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutPlugged);
  if (!isLoose(value)) return value;
  const kept = Object.entries(value).filter(([key, mark]) => key !== 'plugged' || typeof mark !== 'boolean');
  return Object.fromEntries(kept.map(([key, inner]) => [key, withoutPlugged(inner)]));
}

/** The cords a session had marked as plugged, as they lie on the floor: a jack holds the first of them. */
function pluggedIn(session: unknown): readonly Loose[] {
  return listIn(session, 'scenes')
    .flatMap((scene) => listIn(scene, 'cords'))
    .filter((cord): cord is Loose => isLoose(cord) && cord['plugged'] === true)
    .map(({ from, id: _id, thread: _thread, plugged: _plugged, ...cord }) => ({ id: from, ...cord }));
}

/** The floor of a studio of the time when every scene marked its own cords as plugged. */
export function floorOfPlugged(sessions: readonly unknown[]): Loose {
  const held = new Set<unknown>();
  const cords = sessions.flatMap(pluggedIn).filter(({ id, to }) => {
    if (held.has(id) || held.has(to)) return false;
    held.add(id).add(to);
    return true;
  });
  return { cords, settings: {}, precautions: [] };
}

/** A studio of that time as it is written now. */
export function liftPlugged(studio: unknown): unknown {
  if (!isLoose(studio)) return studio;
  const lifted = withoutPlugged(studio) as Loose;
  return { ...lifted, floor: floorOfPlugged(listIn(studio, 'sessions')) };
}
