'use client';
import { useState } from 'react';
import { z } from 'zod';
import { humidityOf, valueAt } from '@/core/climate';
import { WITNESS_LABELS, WITNESS_STATES, WITNESSES, WitnessState } from '@/core/plan';
import { attachmentOf, bodyShape, type PassView } from '@/core/record';
import { attempt } from '@/core/say';
import { isMetered } from '@/core/system';
import { phrase } from '@/words';
import { Choice } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { PhotoInput, type ReadPhoto } from '../shared/PhotoInput';
import { QuantityField, type Typed } from '../shared/QuantityField';
import { RecordForm } from '../shared/RecordForm';
import { record } from '../workspace/record';
import { clock, putAttachment, recordAll } from '../workspace/workspace';
import { LeftOver } from './LeftOver';
import { LoggerFile } from './LoggerFile';
import { ProbeReader } from './ProbeReader';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly repairId: string;
  readonly role: string;
}

/**
 * A temperature read on the spot, which from then on replaces the forecast; or what the touch says of a cup kept as
 * witness.
 */
export function ReadDialog({
  open,
  onClose,
  repairId,
  role,
  at,
  zone,
  practice,
}: Props & {
  at: PassView;
  zone: string;
  /** The record is only the sample’s: practice tools are offered at once. */
  practice: boolean;
}) {
  const [channel, setChannel] = useState<'base' | 'air' | 'pot'>('base');
  const cups = at.plan.sheet && !isMetered(at.plan.sheet.kind) ? at.plan.batches : [];
  const [value, setValue] = useState<Typed | null>(null);
  const [humidity, setHumidity] = useState<Typed | null>(null);
  const save = async () => {
    const read = [
      ...(value ? [{ body: { kind: 'reading', channel, valueC: value.value, source: 'typed' } as const }] : []),
      ...(humidity && channel === 'air'
        ? [{ body: { kind: 'humidity', valuePct: humidity.value, source: 'typed' } as const }]
        : []),
    ];
    await recordAll(repairId, read, role);
    setValue(null);
    setHumidity(null);
    onClose();
  };
  return (
    <Dialog open={open} title="Read a value" onClose={onClose}>
      <div className="flex flex-col gap-3 [&_.btn]:min-h-12">
        <Choice
          label="Of what"
          options={[
            { id: 'base', label: 'the base' },
            { id: 'air', label: 'the air' },
            { id: 'pot', label: 'the pot' },
          ]}
          value={channel}
          onChange={setChannel}
        />
        <QuantityField
          kind="temperature"
          label="Temperature"
          value={value?.value ?? null}
          typed={value ?? undefined}
          onChange={setValue}
          check={(v) =>
            v > 90
              ? phrase`${v.toFixed(0)} °C is beyond anything here. Is a decimal point missing, or is it in °F?`
              : v > 45 && channel !== 'pot'
                ? phrase`${v.toFixed(0)} °C for ${channel}: typed in °F? Write it with its unit, like ${v.toFixed(
                    0,
                  )} F.`
                : v < -40
                  ? 'Colder than −40 °C cannot be right.'
                  : null
          }
        />
        {channel === 'air' && (
          <QuantityField
            kind="percent"
            label="Humidity"
            value={humidity?.value ?? null}
            typed={humidity ?? undefined}
            onChange={setHumidity}
            onClear={() => setHumidity(null)}
            check={(v) =>
              v > 0 && v <= 100 ? null : phrase`A humidity of ${v} % cannot be; it lies above 0 and at most at 100 %.`
            }
          />
        )}
        <button
          type="button"
          className="btn btn-neutral justify-center min-h-12"
          disabled={!value && !(humidity && channel === 'air')}
          onClick={() => void save()}
        >
          Into the record
        </button>
        <LoggerFile key={`file-${channel}`} repairId={repairId} role={role} channel={channel} zone={zone} />
        {/* It tells what is computed, not what is: never the first choice where a record is real. */}
        <details open={practice || undefined}>
          <summary className="soft cursor-pointer">A practice probe, that ships with Grenko</summary>
          <ProbeReader
            key={channel}
            faceC={faceNow(at, channel)}
            humidityPct={humidityNow(at)}
            onTake={async (valueC, valuePct) => {
              const source = 'contact probe (simulated)';
              await recordAll(
                repairId,
                [
                  { body: { kind: 'reading', channel, valueC, source } },
                  ...(channel === 'pot' ? [] : [{ body: { kind: 'humidity', valuePct, source } as const }]),
                ],
                role,
              );
              onClose();
            }}
          />
        </details>
        {cups.length > 0 && (
          <div className="flex flex-col gap-2 pt-3" style={{ borderTop: '1px solid var(--rule)' }}>
            <p className="font-bold">
              Or what was kept of a batch, touched: the cup for ratio and mixing, a smear for how far it is
            </p>
            {cups.flatMap((b) =>
              WITNESSES.map((of) => (
                <Choice
                  forGood
                  key={`${b.index} ${of}`}
                  label={phrase`${WITNESS_LABELS[of]} of batch ${b.index + 1}`}
                  options={WitnessState.options.map((id) => ({ id, label: WITNESS_STATES[id] }))}
                  value={(of === 'cup' ? at.actuals.witness : at.actuals.smear).get(b.index)?.state}
                  onChange={async (state) => {
                    await record(
                      at.repair,
                      { kind: 'witness', batch: b.index, state, ...(of === 'smear' ? { of } : {}) },
                      role,
                    );
                    onClose();
                  }}
                />
              )),
            )}
          </div>
        )}
        <LeftOver at={at} role={role} onKept={onClose} />
        <p className="soft text-sm">
          A base reading moves the waits; a pot reading moves the pot’s clock. The forecast goes on from it and its
          offset fades within hours.
        </p>
      </div>
    </Dialog>
  );
}

/** What the made-up probe finds: the plan's own temperature of that place now. */
function faceNow(at: PassView, channel: 'base' | 'air' | 'pot'): number {
  const series = at.plan.thermal?.[channel];
  if (!series) return 15;
  const i = series.times.findIndex((t) => t >= clock.now());
  return series.values[i < 0 ? series.values.length - 1 : i]!;
}

/** Humidity of the air as planned now, for the made-up probe. */
function humidityNow({ plan: { thermal } }: PassView): number {
  const now =
    thermal && attempt(() => humidityOf(valueAt(thermal.air, clock.now()), valueAt(thermal.dew, clock.now())));
  return now?.ok ? now.value : 60;
}

const Noted = z.object({ text: bodyShape('note').text });

function NoteForm({ onClose, repairId, role }: Omit<Props, 'open'>) {
  const [photo, setPhoto] = useState<ReadPhoto | null>(null);
  return (
    <RecordForm
      schema={Noted}
      start={{ text: '' }}
      fields={[
        {
          name: 'text',
          label: 'What should be remembered',
          rows: 4,
          kept: 'note',
          missing: 'Write what should be remembered.',
        },
      ]}
      tone="btn btn-neutral min-h-12"
      act="Into the record"
      onSave={async ({ text }) => {
        const event = await record(repairId, { kind: 'note', text }, role);
        // The picture stands at its entry, named by what is in it.
        if (event && photo) await putAttachment(attachmentOf(event.jobId, 'image/jpeg', photo.base64, event.id));
      }}
      onDone={onClose}
    >
      <PhotoInput label="With a photograph" onPhoto={setPhoto} />
      {photo && (
        // biome-ignore lint/performance/noImgElement: the picture lives in this browser's database
        <img src={`data:image/jpeg;base64,${photo.base64}`} alt={photo.name} className="h-28 mt-1" />
      )}
    </RecordForm>
  );
}

export function NoteDialog({ open, onClose, repairId, role }: Props) {
  return (
    <Dialog open={open} title="Note" onClose={onClose}>
      <NoteForm onClose={onClose} repairId={repairId} role={role} />
    </Dialog>
  );
}
