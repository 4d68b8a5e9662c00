import type { Method } from '../method';
import { registerQuestions } from '../questions';
import { checked } from '../steps';
import { anchor } from './anchor';
import { barrierCoat } from './barrier-coat';
import { bodyFiller } from './body-filler';
import { cavityPacking } from './cavity-packing';
import { cementPatch } from './cement-patch';
import { crackMesh } from './crack-mesh';
import { fairingSkin } from './fairing-skin';
import { feltWetOut } from './felt-wet-out';
import { finishCoat } from './finish-coat';
import { fittingBuild } from './fitting-build';
import { fittingTack } from './fitting-tack';
import { flexibleJoint } from './flexible-joint';
import { jointColour } from './joint-colour';
import { laminateHole } from './laminate-hole';
import { metalFiller } from './metal-filler';
import { mortarPatch } from './mortar-patch';
import { plateBond } from './plate-bond';
import { pouredCollar } from './poured-collar';
import { pouredCrack } from './poured-crack';
import { rebuiltPart } from './rebuilt-part';
import { resinJoints } from './resin-joints';
import { settingBed } from './setting-bed';
import { skimCoat } from './skim-coat';
import { smallPart } from './small-part';
import { stoneChip } from './stone-chip';
import { timberPart } from './timber-part';
import { timberSoak } from './timber-soak';

/** The table of methods. Adding one touches its file, its test and one line here. */
export const METHODS: readonly Method[] = [
  anchor,
  mortarPatch,
  plateBond,
  pouredCollar,
  fittingTack,
  fittingBuild,
  fairingSkin,
  barrierCoat,
  smallPart,
  bodyFiller,
  metalFiller,
  finishCoat,
  cavityPacking,
  cementPatch,
  pouredCrack,
  stoneChip,
  settingBed,
  jointColour,
  crackMesh,
  skimCoat,
  laminateHole,
  rebuiltPart,
  feltWetOut,
  resinJoints,
  timberSoak,
  timberPart,
  flexibleJoint,
].map(checked);
for (const { id, questions } of METHODS) registerQuestions(id, questions);

export const methodOf = (id: string): Method | undefined => METHODS.find((method) => method.id === id);
