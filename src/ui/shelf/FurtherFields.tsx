'use client';
import { FLOWS, isMetered, STRENGTH_TESTS, systemKind, USUAL, usualMixMin } from '@/core/system';
import { joined, phrase } from '@/words';
import { Choice, useFormat } from '../shared/bits';
import { isUsual } from './draft';
import { sandingText } from './sanding-text';
import { Fold, SheetSelect, SheetText, useExamples, useSheetFields } from './sheet-fields';

/** What a sheet may say beside ratio, packs, times and limits; each folded until it is wanted. */
export function FurtherFields() {
  return (
    <>
      <MixingFields />
      <HolesFields />
      <StrengthFields />
      <FinishFields />
      <StorageFields />
    </>
  );
}

const or = (text: string, usual: string) => text.trim() || phrase`${usual} (Grenko’s)`;

function MixingFields() {
  const { draft } = useSheetFields();
  const { mixer } = USUAL;
  const metered = isMetered(draft.kind);
  const format = useFormat();
  const { example } = useExamples();
  const usual = {
    inMixer: format('volume', mixer.volumeMl).text,
    purge: format('volume', mixer.purgeMl).text,
    reach: format('length', mixer.reachMm).text,
    kept: format('volume', systemKind(draft.kind).keepsMl ?? USUAL.potLossMl).text,
  };
  return (
    <Fold
      title={metered ? 'Mixer and first shots' : 'Mixing and what stays behind'}
      says={
        metered
          ? phrase`${or(draft.mixerVolume, usual.inMixer)} stay in a mixer, ${or(draft.mixerPurge, usual.purge)} thrown away first`
          : phrase`${or(draft.mixMin, `${usualMixMin(draft.kind)} min`)}, ${or(draft.potLoss, phrase`a tenth, at most ${usual.kept}`)} stay in the pot`
      }
    >
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        {metered ? (
          <>
            <SheetText field="mixerVolume" label="Left in a mixer" hint={phrase`usual: ${usual.inMixer}`} />
            <SheetText field="mixerPurge" label="First shots thrown away" hint={phrase`usual: ${usual.purge}`} />
            <SheetText field="mixerReach" label="Reach of the mixer" hint={phrase`usual: ${usual.reach}`} />
            <SheetText
              field="mixerFlow"
              label="Flow check of a pack (empty: none)"
              hint={example('16 mL', '0.5 US fl oz')}
            />
          </>
        ) : (
          <>
            <SheetText field="mixMin" label="Mixing time" hint={phrase`usual: ${usualMixMin(draft.kind)} min`} />
            <SheetText field="mixRpm" label="Paddle, turns a minute" hint="300 to 400" />
            <SheetText field="mixManner" label="Manner" hint="fold, never whip" />
            <SheetText
              field="potLoss"
              label="Left in the pot and on tools"
              hint={phrase`usual: a tenth, at most ${usual.kept}`}
            />
          </>
        )}
        <SheetText field="coverage" label="Coverage, kg for each m² and mm" hint="empty: none given" />
        <SheetText
          field="covers"
          label="A coat or bed covers"
          hint={example('0.42 m²/L, or 6.5 m² a set', '17 ft²/US gal, or 70 ft² a set')}
        />
        {systemKind(draft.kind).asks.includes('uptake') && (
          <SheetText field="uptake" label="A square metre drinks" hint={example('350 mL/m²', '1.1 US fl oz/ft²')} />
        )}
      </div>
    </Fold>
  );
}

function HolesFields() {
  const { draft } = useSheetFields();
  if (!isMetered(draft.kind)) return null;
  const rods = draft.rods.split('\n').filter((l) => /\d/.test(l)).length;
  return (
    <Fold
      title="Holes for rods and bolts"
      says={joined(
        [
          rods ? phrase`${rods} sizes` : 'no table of rods',
          draft.cleaning.trim() || 'cleaned as is usual',
          draft.wetHoles === 'yes' ? 'wet ones allowed' : draft.wetHoles === 'no' ? 'wet ones excluded' : '',
        ].filter(Boolean),
        ', ',
      )}
    >
      <div className="grid sm:grid-cols-2 gap-3">
        <SheetText
          field="rods"
          label="Rod, hole, depth and brush, one rod a line"
          hint="M12: 14, 75 to 220, brush 16"
          multiline
        />
        <div className="flex flex-col gap-3">
          <SheetText field="cleaning" label="Cleaned by" hint="2 blow, 2 brush, 2 blow (Grenko’s)" />
          <SheetSelect
            field="wetHoles"
            label="Wet holes"
            options={[
              { id: '', label: 'the sheet is silent' },
              { id: 'no', label: 'excluded' },
              { id: 'yes', label: 'allowed, with a longer wait' },
            ]}
          />
          {draft.wetHoles === 'yes' && <SheetText field="wetTimes" label="Every wait so many times as long" hint="2" />}
        </div>
      </div>
    </Fold>
  );
}

function StrengthFields() {
  const { draft } = useSheetFields();
  const { example } = useExamples();
  return (
    <Fold
      title="Strength"
      says={draft.strengthPoints.trim() ? joined(draft.strengthPoints.trim().split('\n'), ', ') : 'none printed'}
    >
      <div className="grid sm:grid-cols-2 lg:grid-cols-5 gap-3">
        <SheetText
          field="strengthPoints"
          label="What it has after how long, one a line"
          hint={example('1 d: 32 MPa', '1 d: 4600 psi')}
          multiline
        />
        <SheetSelect field="strengthTest" label="Tested in" options={STRENGTH_TESTS.map((id) => ({ id, label: id }))} />
        <SheetText field="strengthAt" label="At" hint={example('20 °C', '68 °F')} />
        <SheetText field="characteristic" label="Characteristic value" hint="empty: means only" />
        <SheetText field="characteristicTo" label="Holds in service to" hint={example('40 °C', '104 °F')} />
      </div>
    </Fold>
  );
}

function FinishFields() {
  const { draft, set } = useSheetFields();
  return (
    <Fold
      title="Colour and finish"
      says={joined([draft.colour.trim() || 'no colour said', sandingText(draft.sanding) ?? ''].filter(Boolean), ', ')}
    >
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        <SheetText field="colour" label="Colour" />
        <SheetSelect
          field="flow"
          label="Mixed, it is"
          options={[
            { id: '', label: 'as usual for it' },
            ...Object.entries(FLOWS).map(([id, label]) => ({ id, label })),
          ]}
        />
        <Choice
          label="Sanding"
          options={[
            { id: 'easy', label: 'easy' },
            { id: 'hard', label: 'hard' },
            { id: 'not', label: 'not at all' },
            { id: 'silent', label: 'silent' },
          ]}
          value={draft.sanding}
          onChange={(sanding) => set({ sanding })}
        />
        <Choice
          label="Takes paint"
          options={[
            { id: 'yes', label: 'yes' },
            { id: 'no', label: 'no' },
            { id: 'silent', label: 'silent' },
          ]}
          value={draft.paintable}
          onChange={(paintable) => set({ paintable })}
        />
        <Choice
          label="A greasy film on its face"
          options={[
            { id: 'leaves', label: 'leaves one' },
            { id: 'none', label: 'leaves none' },
            { id: '', label: 'silent' },
          ]}
          value={draft.film}
          onChange={(film) => set({ film })}
        />
        <Choice
          label="Primer"
          options={[
            { id: 'none', label: 'none' },
            { id: 'separate', label: 'separate' },
            { id: 'drawn-off', label: 'drawn off' },
            { id: 'silent', label: 'silent' },
          ]}
          value={draft.primer}
          onChange={(primer) => set({ primer })}
        />
      </div>
    </Fold>
  );
}

function StorageFields() {
  const { draft } = useSheetFields();
  return (
    <Fold title="Storage and protection" says={isUsual(draft) ? 'cautions as usual for its kind' : 'as typed'}>
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        <SheetText field="storeMin" label="Stored from" />
        <SheetText field="storeMax" label="Stored to" />
        <SheetText field="shelfMonths" label="Shelf life closed, months" />
        <SheetText field="openedMonths" label="Once opened, months" />
      </div>
      <div className="grid lg:grid-cols-3 gap-3 mt-2">
        <SheetText field="checks" label="Look at before use, one a line" hint="separated tin, crystals" multiline />
        <SheetText field="hazards" label="Hazards, one a line" multiline />
        <SheetText field="protection" label="Protection, one a line" multiline />
      </div>
    </Fold>
  );
}
