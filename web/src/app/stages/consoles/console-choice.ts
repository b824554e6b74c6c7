const KEY = 'ft-consoles';

/** What somebody looked at last, kept in this browser. */
interface Kept {
  readonly device?: string;
  /** Folded sections, by device. */
  readonly folded?: Readonly<Record<string, readonly string[]>>;
}

function kept(): Kept {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Kept;
  } catch {
    return {};
  }
}

const keep = (change: Kept): void => {
  localStorage.setItem(KEY, JSON.stringify({ ...kept(), ...change }));
};

export const lastConsole = (): string | undefined => kept().device;

export const rememberConsole = (device: string): void => {
  keep({ device });
};

export const foldedOf = (device: string): readonly string[] | undefined => kept().folded?.[device];

export const rememberFolded = (device: string, folded: readonly string[]): void => {
  keep({ folded: { ...kept().folded, [device]: folded } });
};
