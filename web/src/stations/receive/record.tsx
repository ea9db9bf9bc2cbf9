import type { ReactNode } from "react";
import { keys } from "../../api/keys";
import { useChange, useUnitRecord } from "../../api/queries";
import { Skeleton, Trouble } from "../../parts/bits";
import type { Step } from ".";
import { Assembly } from "./assembly";
import { Box } from "./box";
import { Changes } from "./changes";
import { Claims } from "./claims";
import type { Props, Rec, Unit } from "./line";
import { Log } from "./log";
import { Measured } from "./measured";
import { text } from "./text";
import { Worth } from "./worth";

/** What is recorded of one unit, at one step of receiving it. */
export function UnitRecord({
  studyId,
  unit,
  step,
  may,
}: {
  studyId: string;
  unit: Unit;
  step: Exclude<Step, "checks">;
  may: boolean;
}) {
  const unitId = unit.machine.unit_id;
  const record = useUnitRecord(studyId, unitId);
  const send = useChange<() => Promise<Rec>, Rec>(studyId, keys.record(studyId, unitId), (call) => call());
  if (record.isError) return <Trouble error={record.error} />;
  if (!record.data) return <Skeleton className="h-full" />;
  const path = { study_id: studyId, unit_id: unitId };
  const props: Props = {
    studyId,
    unit,
    rec: record.data,
    path,
    may,
    busy: send.isPending,
    send: (call, then) => send.mutate(call, { onSuccess: then }),
  };
  const Body = BODY[step];
  return (
    <section aria-label={TITLES[step]} className="sheet min-h-0 overflow-y-auto p-4">
      <h2 className="lab">{TITLES[step]}</h2>
      <Body {...props} />
      <Trouble error={send.error} />
    </section>
  );
}

const TITLES: Record<Exclude<Step, "checks">, string> = {
  box: text.whatIsInTheBox,
  assembly: text.assemblyByTheStopwatch,
  measured: text.measuredAgainstTheSheet,
  claims: text.claimsAgainstMeasurements,
  changes: "First power-on and every change since",
  worth: text.worthOfItsFeaturesAgainst,
  log: text.logOfOwnership,
};

const BODY: Record<Exclude<Step, "checks">, (props: Props) => ReactNode> = {
  box: Box,
  assembly: Assembly,
  measured: Measured,
  claims: Claims,
  changes: Changes,
  worth: Worth,
  log: Log,
};
