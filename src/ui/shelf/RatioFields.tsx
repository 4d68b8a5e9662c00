'use client';
import { isMeteredByPack, type PartId, systemKind, USUAL_DENSITY_SPREAD, usualDensity } from '@/core/system';

import { figure, joined, phrase, translated } from '@/words';
import { Choice, Heading, Prose } from '../shared/bits';
import { Typed } from './fields';
import { Fold, SheetText, useExamples, useSheetFields } from './sheet-fields';

/** A to B, or the range of the dose; densities where the sheet prints them. */
export function RatioFields() {
  const { draft, faults, set, left } = useSheetFields();
  const { example } = useExamples();
  const spec = systemKind(draft.kind);
  const has = (id: PartId) => spec.parts.find((p) => p.id === id);
  const part = (id: PartId, over: Partial<(typeof draft.parts)[PartId]>) =>
    set({ parts: { ...draft.parts, [id]: { ...draft.parts[id], ...over } } });
  const density = (id: PartId) => {
    const usual = has(id);
    if (!usual) return null;
    const label =
      usual.filler === 'grains' ? 'True density' : usual.filler === 'spheres' ? 'Particle density' : 'Density';
    return (
      <Typed
        key={`density${id}`}
        field={`density${id}`}
        label={phrase`${label} of ${id}`}
        hint={phrase`usual: ${usual.densityGPerMl} g/mL`}
        value={draft.parts[id].density}
        fault={faults[`density${id}`]}
        onChange={(v) => part(id, { density: v })}
        onLeave={() => left(`density${id}`)}
      />
    );
  };
  const byTheBag = has('B')?.role === 'water';
  const guessed = spec.parts.filter((p) => !draft.parts[p.id].density.trim());
  return (
    <>
      <Heading aside={spec.dosed ? phrase`the ${spec.dosed} is dosed within a range` : 'a ratio always has its basis'}>
        Ratio
      </Heading>
      <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
        {spec.dosed ? (
          <>
            <SheetText
              field="doseUsual"
              label={phrase`Usual ${spec.dosed}`}
              hint={
                byTheBag
                  ? example('3.25 L to 25 kg, or 13 %', '7 US pt to 55 lb, or 13 %')
                  : example('2 %, or 30 g to 1.5 kg', '2 %, or 1 oz av to 3 lb')
              }
            />
            <SheetText field="doseMin" label={phrase`Least ${spec.dosed}`} hint="empty: the usual" />
            <SheetText field="doseMax" label={phrase`Most ${spec.dosed}`} hint="empty: the usual" />
            <div id="sheet-doseOf" data-label="Per cent of what" tabIndex={-1}>
              <Choice
                label="Per cent of what"
                options={[
                  { id: 'A', label: phrase`of ${has('A')?.name ?? 'part A'}` },
                  { id: 'total', label: 'of the total' },
                ]}
                value={draft.doseOf || undefined}
                onChange={(doseOf) => set({ doseOf })}
              />
              {faults.doseOf && !draft.doseOf && (
                <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
                  <Prose>{faults.doseOf.sentence}</Prose>
                </p>
              )}
            </div>
          </>
        ) : (
          <SheetText
            field="ratio"
            label="A to B, with its basis"
            aside={spec.parts
              .slice(0, 2)
              .map((p) => translated(p.name))
              .join(' : ')}
            hint={isMeteredByPack(draft.kind) ? 'empty: as the pack meters it' : '2:1 by volume, or as packed'}
          />
        )}
        {has('C') && (
          <SheetText
            field="cByWeight"
            label="Parts of C by weight"
            aside={has('C')?.name}
            hint={
              has('C')?.role === 'water'
                ? example('1 L to 450 g, or as packed', '1 US qt to 1 lb, or as packed')
                : example('12 g to 100 mL, or as packed', '1 oz av to 8 US fl oz, or as packed')
            }
          />
        )}
        {has('D') && (
          <SheetText
            field="dByWeight"
            label="Parts of D by weight"
            aside={has('D')?.name}
            hint={example('6 g to 100 mL, or as packed', '0.5 oz av to 8 US fl oz, or as packed')}
          />
        )}
      </div>
      <Fold
        title="Densities and tolerance"
        says={
          draft.mixed.trim()
            ? phrase`the mix ${draft.mixed.trim()}`
            : guessed.length
              ? phrase`${joined(
                  guessed.map((p) => phrase`${p.id} about ${figure(usualDensity(draft.kind, p.id)!)} g/mL`),
                  ', ',
                )} (Grenko’s, ± ${USUAL_DENSITY_SPREAD * 100} %)`
              : 'as typed'
        }
      >
        <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
          <SheetText field="mixed" label="Density of the mix, or cured" hint="1.5 g/mL, if that is printed" />
          {(['A', 'B', 'C', 'D'] as const).map(density)}
          {(['C', 'D'] as const)
            .filter((id) => has(id)?.filler === 'grains')
            .map((id) => (
              <Typed
                key={`bulk${id}`}
                field={`bulk${id}`}
                label={phrase`Tamped bulk density of ${id}`}
                hint="1.75 g/mL"
                value={draft.parts[id].bulk}
                fault={faults[`bulk${id}`]}
                onChange={(v) => part(id, { bulk: v })}
                onLeave={() => left(`bulk${id}`)}
              />
            ))}
          {!spec.dosed && (
            <SheetText field="also" label="The same on the other basis" hint="100:37.5 by weight, if printed" />
          )}
          <SheetText field="tolerance" label="Tolerance on the sheet" hint="empty: silent" />
        </div>
      </Fold>
    </>
  );
}
