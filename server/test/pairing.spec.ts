import { Pairing } from '../src/sharing/pairing';

const MINUTE = 60_000;
let next = 0;
const pairing = (): Pairing => new Pairing(() => String(10_000_000 + ++next));

describe('a pairing code', () => {
  it('pairs once, and then no more', () => {
    const desk = pairing();
    const { code } = desk.make('tick', 0);
    expect(desk.redeem(code, 1)).toEqual({ ok: true, role: 'tick' });
    expect(desk.redeem(code, 2)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('runs out after ten minutes', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    expect(desk.standing(10 * MINUTE - 1)?.code).toBe(code);
    expect(desk.redeem(code, 10 * MINUTE)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('is void once another is made', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    const second = desk.make('edit', 1);
    expect(desk.redeem(code, 2)).toEqual({ ok: false, code: 'wrong-code' });
    expect(desk.redeem(second.code, 2 + MINUTE)).toEqual({ ok: true, role: 'edit' });
  });

  it('waits twice as long after every wrong one, up to a minute, and is void after five', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    const waits: number[] = [];
    let now = 0;
    for (let i = 0; i < 8; i++) {
      expect(desk.redeem('00000000', now)).toMatchObject({ ok: false });
      const again = desk.redeem(code, now);
      const waitMs = again.ok || again.code !== 'too-fast' ? 0 : again.waitMs;
      waits.push(waitMs / 1000);
      now += waitMs;
    }
    expect(waits).toEqual([1, 2, 4, 8, 16, 32, 60, 60]);
    expect(desk.redeem(code, now)).toEqual({ ok: false, code: 'no-offer' });
  });
});
