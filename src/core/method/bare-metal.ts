import type { Setting } from './context';
import type { FaceKeeps } from './method';

/** Bright metal dulls, the sooner the damper the air: until when it is bonded, as a technician may set it. */
export const bareMetalSettings: readonly Setting[] = [
  {
    id: 'bare-dry',
    label: 'Bare metal good for, up to 60 % humidity',
    kind: 'duration',
    byDefault: 90,
    min: 1,
    max: 1440,
    stage: 'place',
  },
  {
    id: 'bare-damp',
    label: 'Bare metal good for, above 60 % humidity',
    kind: 'duration',
    byDefault: 40,
    min: 1,
    max: 1440,
    stage: 'place',
  },
];

/** Which of them holds up to which humidity. */
export const bareMetalKeeps: FaceKeeps = { startsAt: 'bared', upToPct: [60, 100], settings: ['bare-dry', 'bare-damp'] };
