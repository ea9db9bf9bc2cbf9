import { useState } from "react";
import { newId, type Schemas } from "../../api/client";
import { keys } from "../../api/keys";
import { put } from "../../api/outbox";
import type { Slot } from "./slots";
import { text } from "./text";

type Line = Schemas["FeatureLine"];

/** Keeps what is entered of a specimen, by way of the outbox. `because` is null while the machines are hidden. */
export function useKeeping(of: {
  studyId: string;
  specimenId: string;
  code: string;
  instrument: Schemas["InstrumentNow"] | undefined;
  because: string | null;
}) {
  const [wrong, setWrong] = useState("");
  const late = of.because === null ? {} : { after_reveal: of.because.trim() };
  const send = (label: string, path: string, body: Record<string, unknown>) =>
    put({
      label,
      study: of.studyId,
      path,
      body: { id: newId(), ...body },
      moment: "taken_at",
      takes: path.endsWith("zero-checks")
        ? keys.measure(of.studyId)
        : keys.specimen(of.studyId, of.specimenId),
    }).catch((e: Error) => setWrong(e.message || text.noRoom));
  const explained = () => {
    if (of.because === null || of.because.trim()) return true;
    setWrong(text.lateReason);
    return false;
  };
  const specimen = `/api/specimens/${of.specimenId}`;

  const zero = (value: number, partC: number | null) => {
    if (!of.instrument) return;
    void send(text.zeroLabel(of.instrument.code, value), `/api/studies/${of.studyId}/zero-checks`, {
      instrument_id: of.instrument.id,
      value,
      part_c: partC,
    });
  };
  /** Whether it was taken; what is wrong stands in `wrong` otherwise. */
  const keep = (
    slot: Slot,
    line: Line,
    reading: { value?: number; cannot_because?: string; note?: string; over?: number },
  ): boolean => {
    if (!of.instrument) {
      setWrong(text.whichInstrument);
      return false;
    }
    if (!explained()) return false;
    const amount = reading.value?.toFixed(line.digits);
    void send(
      text.readingLabel(of.code, slot.code, slot.repeat, amount && `${amount} ${line.unit}`),
      `${specimen}/readings`,
      {
        feature_id: slot.featureId,
        repeat: slot.repeat,
        instrument_id: of.instrument.id,
        ...reading,
        ...late,
      },
    );
    setWrong("");
    return true;
  };
  const correct = (
    line: Line,
    reading: Pick<Schemas["ReadingOut"], "id" | "value" | "over">,
    slot: Slot,
    reason: string,
  ): boolean => {
    if (!of.instrument) {
      setWrong(text.whichInstrument);
      return false;
    }
    if (!explained()) return false;
    const amount = `${reading.value?.toFixed(line.digits) ?? text.none} ${line.unit}`;
    void send(text.correctionLabel(of.code, slot.code, slot.repeat, amount), `${specimen}/corrections`, {
      supersedes_id: reading.id,
      value: reading.value,
      over: reading.over,
      reason,
      instrument_id: of.instrument.id,
      ...late,
    });
    return true;
  };
  const judge = (
    line: Schemas["JudgedLine"],
    said: { amount?: number; verdict?: Schemas["Verdict"]; word?: string },
    reason?: string,
  ): boolean => {
    if (!explained()) return false;
    const words = [said.verdict && text.verdicts[said.verdict], said.word, said.amount].filter(
      (w) => w !== undefined && w !== "",
    );
    void send(text.judgedLabel(of.code, line.code, words.join(", ")), `${specimen}/judgements`, {
      feature_id: line.feature_id,
      takes: line.takes,
      ...said,
      ...(reason ? { supersedes_id: line.said?.id, reason } : {}),
      ...late,
    });
    return true;
  };
  return { wrong, setWrong, zero, keep, correct, judge };
}
