import { useEffect, useState } from "react";
import { useKeys } from "../../../app/keys";
import { Key } from "../../../parts/bits";
import { text } from "../text";

/** Time by hand: Space starts and stops; what it shows is taken into the field. It runs on while the page is away. */
export function Stopwatch({ of, take }: { of: string; take: (seconds: string) => void }) {
  const kept = `crevlo.stopwatch.${of}`;
  const [begun, setBegun] = useState<number | null>(() => {
    const at = Number(localStorage.getItem(kept));
    return at > 0 ? at : null;
  });
  const [, tick] = useState(0);
  const running = begun !== null;
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => tick((n) => n + 1), 200);
    return () => clearInterval(timer);
  }, [running]);
  const press = () => {
    if (begun === null) {
      localStorage.setItem(kept, String(Date.now()));
      setBegun(Date.now());
      return;
    }
    localStorage.removeItem(kept);
    take(((Date.now() - begun) / 1000).toFixed(1));
    setBegun(null);
  };
  useKeys([{ key: " ", does: text.stopwatch.press, run: press, typing: true }]);
  const seconds = begun === null ? 0 : Math.max(0, (Date.now() - begun) / 1000);
  return (
    <div className="grid place-items-center gap-2">
      <span role="timer" className="num text-gauge font-medium">
        {Math.floor(seconds / 60)}:{(seconds % 60).toFixed(0).padStart(2, "0")}
      </span>
      <button type="button" className={`button ${running ? "primary" : ""}`} onClick={press}>
        {running ? text.stopwatch.stop : text.stopwatch.start} <Key>{text.space}</Key>
      </button>
    </div>
  );
}
