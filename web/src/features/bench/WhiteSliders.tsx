import { useState } from 'react';
import type { Edit } from '../../api/commands';

/** In mireds, 10⁶ / K, in which equal steps look equal: 1,700 to 10,000 K. */
const WARMEST = 588;
const COLDEST = 100;
/** Distance from the whites in CIE 1960 uv at either end of the slider: magenta and green. */
const MOST_TINT = 0.03;

/** Whites by temperature and tint. What was asked is told while a slider is in use; what shines stands in the rows below. */
export function WhiteSliders({ onChange }: { onChange: (what: Edit) => void }) {
  const [warmth, setWarmth] = useState(50);
  const [tint, setTint] = useState(0);
  const [inUse, setInUse] = useState(false);
  const kelvinAt = (w: number) => Math.round(1e6 / (WARMEST - ((WARMEST - COLDEST) * w) / 100) / 10) * 10;
  const tintAt = (t: number) => (t / 100) * MOST_TINT;
  const kelvin = `${kelvinAt(warmth).toLocaleString('en-GB')} K`;
  const duv = `Duv ${tintAt(tint).toFixed(4)}`;
  const ask = (w: number, t: number) => {
    setWarmth(w);
    setTint(t);
    setInUse(true);
    onChange({ type: 'white', kelvin: kelvinAt(w), tint: tintAt(t) });
  };
  return (
    <div onBlur={() => setInUse(false)}>
      <Slide
        label="Warm – cold"
        min={0}
        value={warmth}
        text={kelvin}
        told={inUse}
        onChange={(w) => ask(w, tint)}
      />
      <Slide label="Tint" min={-100} value={tint} text={duv} told={inUse} onChange={(t) => ask(warmth, t)} />
    </div>
  );
}

interface Props {
  label: string;
  min: number;
  value: number;
  text: string;
  /** Whether the text is what was asked for last. */
  told: boolean;
  onChange: (value: number) => void;
}

function Slide({ label, min, value, text, told, onChange }: Props) {
  return (
    <label className="flex h-7 items-center gap-2">
      <span className="w-18 shrink-0 whitespace-nowrap">{label}</span>
      <input
        type="range"
        min={min}
        max={100}
        aria-label={label}
        aria-valuetext={text}
        value={value}
        className="fader h-7 min-w-12 flex-1"
        style={{ '--low': '0%', '--high': '0%' } as React.CSSProperties}
        onChange={(e) => onChange(Number(e.target.value))}
      />
      <span className="mono w-16 shrink-0 text-[12px]">{told ? text : ''}</span>
      <span className="w-12" />
    </label>
  );
}
