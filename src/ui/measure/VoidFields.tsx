'use client';
import { Plus, Trash2 } from 'lucide-react';
import type { PassRef } from '@/core/plan';
import type { Said } from '@/core/say';
import { kindOf, runsOf, type Void } from '@/core/void';
import { phrase } from '@/words';
import { Choice, Prose } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { useRowKeys } from '../shared/use-row-keys';
import { changeVoid } from './edit';
import { ListEditor } from './ListEditor';

/** What concerns the whole void: like voids and what differs among them, what stays clear, the back. */
export function VoidFields({ of, v, problemAt }: { of: PassRef; v: Void; problemAt: (key: string) => Said | null }) {
  const keys = useRowKeys(v.variants);
  const runs = runsOf(v);
  const lengths = runs.flatMap(([i], at) => {
    const shape = v.shapes[i!]!;
    return kindOf(shape)
      .dimensions(shape)
      .filter((d) => !d.shift)
      .map((d) => ({ key: `shapes.${i}.${d.key}`, label: runs.length > 1 ? phrase`${at + 1} · ${d.label}` : d.label }));
  });
  return (
    <section aria-label="The whole void" className="mt-3">
      <div className="grid grid-cols-2 gap-2">
        <QuantityField
          kind="count"
          label="Like voids"
          value={v.count}
          onChange={(t) => changeVoid(of, (old) => ({ ...old, count: Math.round(t.value) }), 'count')}
          check={(n) => (Number.isInteger(n) && n >= 1 && n <= 500 ? null : 'A whole number from 1 to 500.')}
        />
        <Choice
          label="Back of the void"
          options={[
            { id: 'closed', label: 'closed' },
            { id: 'open', label: 'open behind' },
          ]}
          value={v.back}
          onChange={(back) => changeVoid(of, (old) => ({ ...old, back }), 'back')}
        />
      </div>
      {v.variants.map((x, i) => (
        <div key={keys[i]} className="grid grid-cols-[3.4rem_1fr_6rem_2rem] gap-1.5 mt-1.5 items-start">
          <QuantityField
            kind="count"
            hideLabel
            label={phrase`Group ${i + 1} that differs: how many`}
            value={x.count}
            problem={problemAt(`variants.${i}`) ? ' ' : null}
            onChange={(t) =>
              changeVoid(
                of,
                (old) => ({
                  ...old,
                  variants: old.variants.map((y, k) => (k === i ? { ...y, count: Math.round(t.value) } : y)),
                }),
                `variant${i}`,
              )
            }
            check={(n) => (Number.isInteger(n) && n >= 1 ? null : 'A whole number, 1 or more.')}
          />
          <select
            className="select text-sm"
            aria-label={phrase`Group ${i + 1} that differs: in what`}
            value={x.key}
            onChange={(e) =>
              changeVoid(
                of,
                (old) => ({
                  ...old,
                  variants: old.variants.map((y, k) => (k === i ? { ...y, key: e.target.value } : y)),
                }),
                `variant${i}`,
              )
            }
          >
            {lengths.map((l) => (
              <option key={l.key} value={l.key}>{phrase`of them: ${l.label}`}</option>
            ))}
          </select>
          <QuantityField
            kind="length"
            hideLabel
            label={phrase`Group ${i + 1} that differs: by how much`}
            value={x.byMm}
            onChange={(t) =>
              changeVoid(
                of,
                (old) => ({ ...old, variants: old.variants.map((y, k) => (k === i ? { ...y, byMm: t.value } : y)) }),
                `variant${i}`,
              )
            }
          />
          <button
            type="button"
            className="p-1.5"
            aria-label={phrase`Group ${i + 1} that differs: remove`}
            onClick={() =>
              changeVoid(of, (old) => ({ ...old, variants: old.variants.filter((_, k) => k !== i) }), 'variants')
            }
          >
            <Trash2 size={16} aria-hidden="true" />
          </button>
          {problemAt(`variants.${i}`) && (
            <p role="alert" className="col-span-full text-sm" style={{ color: 'var(--stop)' }}>
              <Prose>{problemAt(`variants.${i}`)!}</Prose>
            </p>
          )}
        </div>
      ))}
      {v.count > 1 && lengths.length > 0 && (
        <button
          type="button"
          className="btn btn-link text-sm"
          onClick={() =>
            changeVoid(
              of,
              (old) => ({ ...old, variants: [...old.variants, { count: 1, key: lengths[0]!.key, byMm: 5 }] }),
              'variants',
            )
          }
        >
          <Plus size={15} aria-hidden="true" /> some of them differ
        </button>
      )}
      <ListEditor
        list={{
          key: 'keepClear',
          label: 'Must stay clear of material',
          columns: [
            { key: 'name', label: 'what', kind: 'text' },
            {
              key: 'form',
              label: 'form',
              kind: 'choice',
              options: [
                { id: 'box', label: 'box' },
                { id: 'round', label: 'round' },
              ],
            },
            { key: 'xMm', label: 'along', kind: 'length' },
            { key: 'yMm', label: 'across', kind: 'length' },
            { key: 'aMm', label: 'length, ⌀', kind: 'length' },
            { key: 'bMm', label: 'width', kind: 'length' },
            { key: 'depthMm', label: 'depth', kind: 'length' },
          ],
          rows: v.keepClear,
          blank: { name: 'bolt', form: 'round', xMm: 50, yMm: 50, aMm: 20, bMm: 20, depthMm: 10 },
          max: 20,
        }}
        write={(rows) =>
          changeVoid(
            of,
            // A size of 0 cannot be stored; the row keeps what it had until the field holds one.
            (old) => ({
              ...old,
              keepClear: (rows as unknown as Void['keepClear']).map((k, i) =>
                k.aMm > 0 && k.bMm > 0 && k.depthMm > 0 ? k : (old.keepClear[i] ?? k),
              ),
            }),
            'keepClear',
          )
        }
        problemAt={problemAt}
      />
    </section>
  );
}
