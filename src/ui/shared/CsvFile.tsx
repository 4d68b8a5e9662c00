'use client';
import { useState } from 'react';
import type { CsvAnswers, CsvAsk } from '@/core/climate';
import type { Said } from '@/core/say';
import { Choice, useSay } from './bits';
import { FilePick } from './FilePick';

/** What came of reading a file: a question that must be answered first, or a sentence. */
export type CsvOutcome = { readonly ask: CsvAsk } | { readonly said: Said };

/** A CSV file picked and read; what it leaves open is asked with buttons, and it is read again with the answer. */
export function CsvFile({
  label,
  ariaLabel,
  read,
}: {
  label: string;
  ariaLabel: string;
  read: (name: string, text: string, answers: CsvAnswers) => CsvOutcome | Promise<CsvOutcome>;
}) {
  const [asked, setAsked] = useState<{
    readonly name: string;
    readonly text: string;
    readonly answers: CsvAnswers;
    readonly ask: CsvAsk;
  } | null>(null);
  const [said, setSaid] = useState<Said | null>(null);
  const says = useSay();
  const go = async (name: string, text: string, answers: CsvAnswers) => {
    const outcome = await read(name, text, answers);
    setAsked('ask' in outcome ? { name, text, answers, ask: outcome.ask } : null);
    setSaid('said' in outcome ? outcome.said : null);
  };
  return (
    <div className="flex flex-col gap-2">
      <FilePick
        name={ariaLabel}
        accept=".csv,.txt,text/csv"
        className="btn text-sm min-h-[44px]"
        onFile={async (file) => go(file.name, await file.text(), {})}
      >
        {label}
      </FilePick>
      {asked && (
        <Choice
          label={says(asked.ask.sentence)}
          options={asked.ask.choices.map((c) => ({ id: c.id, label: c.label }))}
          value={undefined}
          onChange={(id) => void go(asked.name, asked.text, { ...asked.answers, [asked.ask.what]: id })}
        />
      )}
      {said && (
        <p role="status" className="text-sm font-semibold">
          {says(said)}
        </p>
      )}
    </div>
  );
}
