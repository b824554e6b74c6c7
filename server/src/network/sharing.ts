import { randomInt } from 'node:crypto';
import QRCode from 'qrcode';
import type { Offer, SharingState, TabletRole } from '@ft/contract/sharing';
import { ApiFailure, notFound } from '../http/refusal';
import type { Door } from './door';
import { ownAddresses } from './door';
import type { StandingOffer } from './pairing';
import { Pairing } from './pairing';
import type { LetIn, TabletStore } from './tabletStore';

const DIGITS = 8;
const randomDigits = (): string => String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0');

/** Who hears that a tablet was revoked. */
export type RevokedListener = (tabletId: string) => void;

/** Opens the program to the studio network, pairs tablets with it, and lets them go again. */
export class Sharing {
  private readonly pairing = new Pairing(randomDigits);
  private readonly listeners = new Set<RevokedListener>();

  constructor(
    readonly tablets: TabletStore,
    private readonly door: Door,
    private readonly now: () => string,
  ) {}

  onRevoked(listener: RevokedListener): void {
    this.listeners.add(listener);
  }

  /** Opens the door again where it was left open. */
  async resume(): Promise<boolean> {
    const isOpen = await this.tablets.isOpen();
    if (isOpen) await this.door.open();
    return isOpen;
  }

  /** Closes the door for now; it opens again with the next start. */
  stop(): Promise<void> {
    return this.door.close();
  }

  async state(): Promise<SharingState> {
    const isOpen = await this.tablets.isOpen();
    const offer = this.pairing.standing(this.nowMs());
    return {
      isOpen,
      addresses: isOpen ? this.addresses() : [],
      tablets: [...(await this.tablets.list())],
      offer: offer === undefined || !isOpen ? null : await this.shown(offer),
    };
  }

  async setOpen(isOpen: boolean): Promise<void> {
    if (isOpen) {
      await this.door.open().catch((error: unknown) => {
        const { code = 'unknown' } = error as NodeJS.ErrnoException;
        throw new ApiFailure(
          409,
          'port-in-use',
          `The studio network could not be let in: port ${String(this.door.port)} is in use (${code}). Close what uses it, or start the program with FT_SHARE_PORT set to another port.`,
        );
      });
    } else {
      this.pairing.withdraw();
      await this.door.close();
    }
    await this.tablets.setOpen(isOpen);
  }

  async makeOffer(role: TabletRole): Promise<void> {
    if (!(await this.tablets.isOpen()))
      throw new ApiFailure(409, 'closed', 'Open the program to the studio network first.');
    this.pairing.make(role, this.nowMs());
  }

  /** Pairs the tablet that names a code. */
  async pair(code: string, name: string, address: string): Promise<LetIn> {
    const redeemed = this.pairing.redeem(code, address, this.nowMs());
    if (redeemed.ok) return this.tablets.add(name, redeemed.role, this.now());
    if (redeemed.code === 'too-fast') {
      const waitS = Math.ceil(redeemed.waitMs / 1000);
      throw new ApiFailure(
        429,
        'too-fast',
        `A wrong code was tried from here just now. Wait ${String(waitS)} s, then try again.`,
      );
    }
    throw new ApiFailure(
      403,
      redeemed.code,
      'This code does not pair, or not any more: it works once, for ten minutes. Ask in the control room for a new one.',
    );
  }

  async setRole(id: string, role: TabletRole): Promise<void> {
    if (!(await this.tablets.setRole(id, role))) throw notFound('tablet');
  }

  async revoke(id: string): Promise<void> {
    if (!(await this.tablets.revoke(id, this.now()))) throw notFound('tablet');
    for (const listener of this.listeners) listener(id);
  }

  private addresses(): string[] {
    return ownAddresses().map((address) => `http://${address}:${String(this.door.port)}`);
  }

  private async shown({ code, role, until }: StandingOffer): Promise<Offer> {
    const links = this.addresses().map(async (base) => {
      const address = `${base}/pair?code=${code}`;
      return { address, qrSvg: await QRCode.toString(address, { type: 'svg', margin: 2 }) };
    });
    return { code, role, until: new Date(until).toISOString(), links: await Promise.all(links) };
  }

  private nowMs(): number {
    return Date.parse(this.now());
  }
}
