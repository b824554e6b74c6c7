import { Injectable } from '@angular/core';
import { asked } from './asked';

/** What the rig check says of the rig as it is; asked once for the rail, the tabs and its page. */
@Injectable({ providedIn: 'root' })
export class RigNotes {
  readonly told = asked((api) => api.rigNotes());
}
