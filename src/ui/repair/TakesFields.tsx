import { methodOf } from '@/core/method';
import { baredMm, firstThickness, passName, type Takes, takesFace, whoseThickness } from '@/core/plan';
import type { RepairView } from '@/core/record';
import { unmeasured } from '@/core/void';
import { phrase } from '@/words';
import { Choice } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changePass, useWorkspace } from '../workspace/workspace';

/** What a pass fills or covers: a void of its own, or what an earlier one leaves, so thick and so far beyond it. */
export function TakesFields({ whole: { draft }, id }: { readonly whole: RepairView; readonly id: string }) {
  const before = draft.chain.slice(0, draft.chain.indexOf(id));
  const { takes, method: asked, sheetId } = draft.passes[id]!;
  const method = methodOf(asked.id);
  const sheet = useWorkspace().sheets.get(sheetId ?? '') ?? null;
  const bared = takes.from === 'face' ? baredMm(draft, takes.of) : 0;
  const whose = takes.from === 'face' && method ? whoseThickness(method, sheet, takes.thickness) : null;
  const ref = { id: draft.id, passId: id };
  const setTakes = (to: Takes) => changePass(ref, (p) => ({ ...p, takes: to }), 'takes');
  // Of what stands there when it is written: two fields may be typed before either is drawn again.
  const setFace = (over: Partial<Extract<Takes, { from: 'face' }>>, key: string) =>
    changePass(ref, (p) => (p.takes.from === 'face' ? { ...p, takes: { ...p.takes, ...over } } : p), `takes:${key}`);
  return (
    <>
      <Choice
        label="It fills or covers"
        options={[
          { id: 'own', label: 'a void of its own' },
          ...before.flatMap((b, i) => [
            { id: `face ${b}`, label: phrase`the face of ${passName(draft, i)}` },
            { id: `left ${b}`, label: phrase`what ${passName(draft, i)} left low` },
          ]),
        ]}
        value={takes.from === 'own' ? 'own' : `${takes.from} ${takes.of}`}
        onChange={(value) => {
          const [from, of] = value.split(' ');
          if (from === 'own') setTakes({ from });
          else if (from === 'left') setTakes({ from, of: of! });
          else if (takes.from === 'face') setTakes({ ...takes, of: of! });
          else setTakes(takesFace(draft, of!, method ? firstThickness(method, sheet) : unmeasured(1, 'film')));
        }}
      />
      {takes.from === 'face' && (
        <div className="grid grid-cols-2 gap-2">
          {/* How much goes by the square metre is the sheet’s to say. */}
          {!method?.params?.byCoverage && (
            <div>
              <QuantityField
                kind="length"
                label="How thick"
                value={takes.thickness.text === '' ? null : takes.thickness.valueMm}
                typed={{ text: takes.thickness.text, system: takes.thickness.textSystem }}
                placeholder="measure"
                check={(v) => (v > 0 && v <= 200 ? null : 'A coat is more than nothing and at most 200 mm.')}
                onChange={(t) =>
                  setFace(
                    { thickness: { ...takes.thickness, valueMm: t.value, text: t.text, textSystem: t.system } },
                    'thickness',
                  )
                }
              />
              <WhoseThickness whose={whose} />
            </div>
          )}
          <div>
            <QuantityField
              kind="length"
              label="Beyond it all round"
              value={takes.beyondMm}
              check={(v) => (v >= 0 && v <= 1000 ? null : 'From nothing to 1 m.')}
              onChange={(t) => setFace({ beyondMm: t.value }, 'beyond')}
            />
            {bared > 0 && takes.beyondMm === bared && (
              <span className="soft text-sm">as far as it is bared (Grenko’s)</span>
            )}
          </div>
        </div>
      )}
    </>
  );
}

/** Whose figure a thickness is that nobody has typed. */
export function WhoseThickness({ whose }: { readonly whose: ReturnType<typeof whoseThickness> }) {
  if (!whose) return null;
  return <span className="soft text-sm">{whose === 'usual' ? 'as usual (Grenko’s)' : 'by the sheet'}</span>;
}
