'use client';
import { BLANK_NOTICE, type Notice, type Piece } from '@/core/plan';
import { Heading, OnOff, TextField } from '../shared/bits';
import { DayField } from '../shared/WhenField';
import { changePass } from '../workspace/workspace';

/** The notice of defect that a repair answers, where there is one. */
export function NoticeFields({ repair, zone }: { repair: Piece; zone: string }) {
  const { notice } = repair;
  const change = (next: Notice | null) => changePass(repair, (r) => ({ ...r, notice: next }), 'notice');
  const part = (over: Partial<Notice>) => notice && change({ ...notice, ...over });
  return (
    <section aria-label="Notice of defect">
      <Heading>Answers a notice</Heading>
      <OnOff
        label="It came as a notice of defect"
        on={notice !== null}
        onChange={(on) => change(on ? BLANK_NOTICE : null)}
      />
      {notice && (
        <>
          <div className="grid grid-cols-2 gap-2 mt-1">
            <TextField
              label="Code of the notice"
              value={notice.code}
              onChange={(code) => part({ code: code.slice(0, 60) })}
            />
            <TextField label="Written by" value={notice.by} onChange={(by) => part({ by: by.slice(0, 120) })} />
            <DayField label="Dated" value={notice.dated} zone={zone} onChange={(dated) => part({ dated })} />
            <DayField
              label="Accepted by"
              value={notice.acceptBy}
              zone={zone}
              onChange={(acceptBy) => part({ acceptBy })}
            />
          </div>
          <p className="soft text-sm mt-1">Whoever wrote it accepts the work; whoever does the work cannot.</p>
        </>
      )}
    </section>
  );
}
