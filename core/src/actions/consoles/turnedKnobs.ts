import { deskKnobs } from '../../consoles/deskKnobs';
import type { Knobs, Turn } from '../../consoles/cells/cellKind';
import type { Edit } from '../../edits/make';
import type { KnobRef } from '../../rig/deviceModel';
import type { Device } from '../../rig/rigSchema';
import type { SettingKey, SettingValue } from '../../rig/settings';
import { initialOf, settingKeyOf } from '../../rig/settings';
import type { ScenePlace } from '../../session/scenePlace';
import type { Scene } from '../../session/sessionSchema';
import { settingSet } from '../patchEdits';

/** Knobs of a scene as they are turned one after the other: each text is read with those before it in force. */
export class TurnedKnobs {
  private readonly turned = new Map<SettingKey, SettingValue | null>();
  private readonly told = new Map<SettingKey, SettingValue>();
  private readonly known = new Map<Device, Knobs>();

  constructor(private readonly scene: Scene) {}

  /** The knobs of a device with what was turned so far. */
  of(device: Device): Knobs {
    const knobs = this.known.get(device) ?? this.read(device);
    this.known.set(device, knobs);
    return knobs;
  }

  /** The first of some turns whose knob was told to stand elsewhere already. */
  contradicted(device: Device, turns: readonly Turn[]): Turn | undefined {
    return turns.find(({ knob, value }) => {
      const told = this.told.get(settingKeyOf(device.id, knob.setting, knob.channel));
      return told !== undefined && told !== this.standing(device, knob, value);
    });
  }

  /** Where a knob was told to stand, be it that it stands there already: several rows may share it. */
  tell(device: Device, knob: KnobRef): void {
    this.told.set(settingKeyOf(device.id, knob.setting, knob.channel), this.of(device).value(knob));
  }

  turn(device: Device, turns: readonly Turn[]): void {
    for (const { knob, value } of turns) {
      this.turned.set(settingKeyOf(device.id, knob.setting, knob.channel), value);
      this.tell(device, knob);
    }
  }

  /** The edits of all that was turned, where that is not what the scene says. */
  edits(place: ScenePlace): readonly Edit[] {
    return [...this.turned].flatMap(([key, value]) =>
      (this.scene.settings[key] ?? null) === value ? [] : [settingSet(place, this.scene, key, value)],
    );
  }

  /** Where a knob stands once it is turned; null is where it stands at first. */
  private standing(device: Device, knob: KnobRef, value: SettingValue | null): SettingValue {
    const spec = value === null ? deskKnobs(device, this.scene).spec(knob) : undefined;
    return value ?? (spec === undefined ? 0 : initialOf(spec, knob.channel));
  }

  private read(device: Device): Knobs {
    const knobs = deskKnobs(device, this.scene);
    return {
      spec: (knob) => knobs.spec(knob),
      value: (knob) => {
        const value = this.turned.get(settingKeyOf(device.id, knob.setting, knob.channel));
        return value === undefined ? knobs.value(knob) : this.standing(device, knob, value);
      },
    };
  }
}
