import { Pairing } from '../src/network/pairing';

const MINUTE = 60_000;
let next = 0;
const pairing = (): Pairing => new Pairing(() => String(10_000_000 + ++next));

describe('a pairing code', () => {
  it('pairs once, and then no more', () => {
    const desk = pairing();
    const { code } = desk.make('tick', 0);
    expect(desk.redeem(code, 'tablet', 1)).toEqual({ ok: true, role: 'tick' });
    expect(desk.redeem(code, 'tablet', 2)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('runs out after ten minutes', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    expect(desk.standing(10 * MINUTE - 1)?.code).toBe(code);
    expect(desk.redeem(code, 'tablet', 10 * MINUTE)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('is void once another is made', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    const second = desk.make('edit', 1);
    expect(desk.redeem(code, 'tablet', 2)).toEqual({ ok: false, code: 'wrong-code' });
    expect(desk.redeem(second.code, 'tablet', 2 + MINUTE)).toEqual({ ok: true, role: 'edit' });
  });

  it('waits twice as long after every wrong one from an address, and hears five of them', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    const waits: number[] = [];
    let now = 0;
    for (let i = 0; i < 8; i++) {
      expect(desk.redeem('00000000', 'guesser', now)).toMatchObject({ ok: false });
      const again = desk.redeem(code, 'guesser', now);
      const waitMs = again.ok || again.code !== 'too-fast' ? 0 : again.waitMs;
      waits.push(waitMs / 1000);
      now += waitMs;
    }
    expect(waits).toEqual([1, 2, 4, 8, 16, 32, 60, 60]);
    expect(desk.redeem(code, 'guesser', now)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('still pairs the owner while somebody else guesses', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    for (let i = 0; i < 50; i++) desk.redeem('00000000', 'guesser', i * MINUTE * 0.1);
    expect(desk.redeem(code, 'owner', 5 * MINUTE)).toEqual({ ok: true, role: 'edit' });
  });

  it('is void after two hundred wrong ones from everywhere', () => {
    const desk = pairing();
    const { code } = desk.make('edit', 0);
    for (let i = 0; i < 199; i++) desk.redeem('00000000', `guesser ${String(i)}`, i);
    expect(desk.standing(200)?.code).toBe(code);
    desk.redeem('00000000', 'guesser 200', 200);
    expect(desk.redeem(code, 'owner', 201)).toEqual({ ok: false, code: 'no-offer' });
  });

  it('made anew does not make guessing quicker', () => {
    const desk = pairing();
    desk.make('edit', 0);
    desk.redeem('00000000', 'guesser', 0);
    desk.make('edit', 1);
    expect(desk.redeem('00000000', 'guesser', 2)).toMatchObject({ code: 'too-fast' });
  });
});
