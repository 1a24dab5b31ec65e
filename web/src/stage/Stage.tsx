import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { place, select } from '../api/commands';
import { rig } from '../api/live';
import type { MarkView, SceneryView } from '../api/client';
import { useDesk, useMarks, usePatch, useScenery } from '../api/queries';
import { runLine } from '../doing/run-line';
import { attempt } from '../doing/notices';
import { quoted } from '../doing/run';
import { useTheme } from '../doing/theme';
import { drawAbove, drawBelow, frame, lasso } from './draw';
import { cellAt, distance, landed, moved, nearest, next, picked, round2, SLIP, type Drag } from './picking';
import { colours, type Colours, type Scene } from './scene';
import { sceneryAt } from './scenery';
import { useStageState } from './stage-state';
import { symbolRadius } from './symbols';
import { HINTS, StageTools } from './StageTools';
import { StageWords, type Under } from './StageWords';
import { CLOSEST, fit, markAt, nearTo, spots, toStage, type Side, type Spot } from './view';

/** Nothing enlarged. */
const WHOLE = { factor: 1, dx: 0, dy: 0 };
/** Where a fixture goes that has never had a place: the height most bridges hang at, in metres. */
const USUAL_HEIGHT = 6;
/** Pixels around a mark that are still it. */
const MARK_REACH = 12;
const NO_MARKS: MarkView[] = [];
const NO_SCENERY: SceneryView[] = [];

/** Where a mark lands that is carried to a point of the plan or the front. */
const carriedTo = (m: MarkView, to: { x: number; y: number }, side: Side): MarkView =>
  side === 'plan'
    ? { ...m, x: round2(to.x), y: round2(to.y) }
    : { ...m, x: round2(to.x), z: Math.max(0, round2(to.y)) };

/** The stage from above, drawn from what the virtual rig receives. Drag to pick, or to place; one fixture may be pointed out. */
export const Stage = memo(function Stage({ pointed }: { pointed?: number }) {
  const box = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const over = useRef<HTMLCanvasElement>(null);
  /** The picture without the selection, and what it was drawn from. */
  const ground = useRef<HTMLCanvasElement | null>(null);
  const drawnFrom = useRef<unknown[]>([]);
  /** Looked up once a theme: it makes the browser work out all styles of the page. */
  const inks = useRef<{ theme: string; k: Colours } | null>(null);
  const [size, setSize] = useState({ width: 400, height: 400 });
  const [placing, setPlacing] = useState(false);
  const [side, setSide] = useState<Side>('plan');
  const [round, setRound] = useState(false);
  const [path, setPath] = useState(false);
  const [aiming, setAiming] = useState(false);
  /** The mark that is carried. */
  const [carriedMark, setCarriedMark] = useState<MarkView | null>(null);
  const marksThere = useMarks().data ?? NO_MARKS;
  const drawings = useScenery().data;
  const scenery = useMemo(() => drawings?.flatMap((d) => d.scenery) ?? NO_SCENERY, [drawings]);
  const { foreseen, pointing, pointingWords, instead } = useStageState();
  /** What was just picked, seen in the next frame; it is selected once that has been answered. */
  const [taken, setTaken] = useState<Set<string> | null>(null);
  const [height, setHeight] = useState(String(USUAL_HEIGHT));
  const [drag, setDrag] = useState<Drag | null>(null);
  const patch = usePatch().data;
  const desk = useDesk().data;
  const theme = useTheme((s) => s.theme);
  const fixtures = useMemo(() => patch?.fixtures ?? [], [patch]);
  const [lens, setLens] = useState(WHOLE);
  const [cursor, setCursor] = useState<number | null>(null);
  /** What the pointer rests on, in words, and where. */
  const [under, setUnder] = useState<Under | null>(null);
  const shown = cursor ?? pointed;
  /** Fixtures are only carried along while they are placed; a frame alone moves nothing. */
  const carried = placing && drag?.on ? drag : null;
  const wholeView = useMemo(() => fit(fixtures, size.width, size.height, side), [fixtures, size, side]);
  const view = useMemo(
    () => ({
      scale: wholeView.scale * lens.factor,
      left: wholeView.left * lens.factor + lens.dx,
      bottom: wholeView.bottom * lens.factor + lens.dy,
    }),
    [wholeView, lens],
  );
  /** A mark that is carried is drawn where it would land. */
  const marks = useMemo(() => {
    if (!carriedMark || !drag) return marksThere;
    const to = toStage(view, drag.x1, drag.y1);
    return marksThere.map((m) => (m.id === carriedMark.id ? carriedTo(m, to, side) : m));
  }, [marksThere, carriedMark, drag, view, side]);
  const all = useMemo(
    () => spots(fixtures, view, size.width, size.height, side),
    [fixtures, view, size, side],
  );
  const order = useMemo(() => {
    const found = new Map<string, number>();
    desk?.steps.forEach((step, i) => step.forEach((unit) => found.set(unit.split('.')[0]!, i + 1)));
    return found;
  }, [desk]);

  const [answered, setAnswered] = useState(desk);
  if (answered !== desk) {
    setAnswered(desk);
    setTaken(null);
  }

  useEffect(() => {
    const element = box.current!;
    const observer = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    const element = canvas.current!;
    const context = element.getContext('2d')!;
    const ratio = window.devicePixelRatio || 1;
    // Setting it, even to what it is, throws the picture away.
    if (element.width !== Math.floor(size.width * ratio)) element.width = size.width * ratio;
    if (element.height !== Math.floor(size.height * ratio)) element.height = size.height * ratio;
    if (inks.current?.theme !== theme) inks.current = { theme, k: colours(element) };
    const { k } = inks.current;
    const below = (ground.current ??= document.createElement('canvas'));
    let drawn = -1;
    let handle = 0;
    const parts = instead?.parts ?? rig.parts;
    const paint = () => {
      handle = 0;
      const version = instead ? 0 : rig.version;
      if (version !== drawn) {
        drawn = version;
        context.setTransform(ratio, 0, 0, ratio, 0, 0);
        const scene: Scene = {
          ...size,
          view,
          spots: moved(all, carried, placing, order),
          parts,
          order,
          pointed: shown,
          side,
          path,
          foreseen: foreseen ?? taken,
          marks,
          scenery,
          waiting: fixtures.filter((f) => !f.placed).length,
        };
        const from = [drawn, parts, view, scene.spots, fixtures, size, theme, shown, side, marks, scenery];
        if (from.some((part, i) => part !== drawnFrom.current[i])) {
          drawnFrom.current = from;
          // Setting it clears it.
          below.width = element.width;
          below.height = element.height;
          const c = below.getContext('2d')!;
          c.setTransform(ratio, 0, 0, ratio, 0, 0);
          drawBelow(c, scene, k);
          element.dataset.lit = String([...parts.values()].filter((p) => p.intensity > 0).length);
        }
        context.setTransform(1, 0, 0, 1, 0, 0);
        context.drawImage(below, 0, 0);
        context.setTransform(ratio, 0, 0, ratio, 0, 0);
        drawAbove(context, scene, k);
      }
    };
    // Drawn when a frame came, and not more often than the window is.
    const wake = () => {
      if (handle === 0) handle = requestAnimationFrame(paint);
    };
    wake();
    rig.listeners.add(wake);
    return () => {
      rig.listeners.delete(wake);
      cancelAnimationFrame(handle);
    };
  }, [
    size,
    view,
    all,
    order,
    carried,
    placing,
    fixtures,
    theme,
    shown,
    side,
    path,
    foreseen,
    taken,
    marks,
    scenery,
    instead,
  ]);

  useEffect(() => {
    const element = over.current!;
    const context = element.getContext('2d')!;
    const ratio = window.devicePixelRatio || 1;
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, element.width, element.height);
    const line = placing && drag?.on === null;
    if (!drag || (placing && !line) || carriedMark || aiming) return;
    if (round && !placing) lasso(context, drag.trail, colours(canvas.current!));
    else frame(context, { ...drag, line }, colours(canvas.current!));
  }, [drag, placing, round, size, carriedMark, aiming]);

  const at = (e: React.PointerEvent) => {
    const rect = canvas.current!.getBoundingClientRect();
    return { x: e.clientX - rect.left, y: e.clientY - rect.top };
  };
  const onWheel = (e: React.WheelEvent) => {
    const rect = canvas.current!.getBoundingClientRect();
    const factor = Math.max(1, Math.min(CLOSEST, lens.factor * (e.deltaY < 0 ? 1.2 : 1 / 1.2)));
    const ratio = factor / lens.factor;
    const [x, y] = [e.clientX - rect.left, e.clientY - rect.top];
    setLens(factor === 1 ? WHOLE : { factor, dx: x - (x - lens.dx) * ratio, dy: y - (y - lens.dy) * ratio });
  };
  const onPointerDown = (e: React.PointerEvent) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const { x, y } = at(e);
    if (aiming && !pointing) setCarriedMark(markUnder(x, y));
    setDrag({ x0: x, y0: y, x1: x, y1: y, on: nearest(all, x, y, view.scale), trail: [{ x, y }] });
  };
  const onPointerUp = (e: React.PointerEvent) => {
    if (!drag) return;
    setDrag(null);
    if (pointing) {
      const point = toStage(view, drag.x1, drag.y1);
      useStageState.setState({ pointing: null });
      pointing(round2(point.x), round2(point.y));
      return;
    }
    const how = e.shiftKey ? 'add' : e.altKey ? 'less' : 'hold';
    if (aiming) {
      setCarriedMark(null);
      aim(drag, carriedMark);
    } else if (placing) void attempt(() => put(drag));
    else {
      const cells = e.ctrlKey || e.metaKey;
      const radius = (s: Spot) => symbolRadius(s, all.length, view.scale);
      const units = pressed(e) ?? picked(all, drag, round, cells ? radius : undefined);
      setTaken(new Set(units.map((u) => u.split('.')[0]!)));
      void attempt(() => select(units, turned(how))).then((done) => done?.changes || setTaken(null));
    }
  };
  const markUnder = (x: number, y: number) =>
    marksThere.find((m) => {
      const { sx, sy } = markAt(view, m, side);
      return Math.hypot(sx - x, sy - y) < MARK_REACH;
    }) ?? null;
  /** A press aims the selection there, or at the mark there; a mark that was carried moves. */
  const aim = (d: Drag, mark: MarkView | null) => {
    const to = toStage(view, d.x1, d.y1);
    if (mark && distance(d) < SLIP) void runLine(`aim at mark ${quoted(mark.name)}`);
    else if (mark) {
      const { x, y, z } = carriedTo(mark, to, side);
      void runLine(`mark ${quoted(mark.name)} at ${x}, ${y}, ${z}`);
    } else
      void runLine(
        side === 'plan'
          ? `aim at ${round2(to.x)}, ${round2(to.y)}, 0`
          : `aim at ${round2(to.x)}, 0, ${Math.max(0, round2(to.y))}`,
      );
  };
  /** The cell under a press with Ctrl; undefined for anything else. */
  const pressed = (e: React.PointerEvent): string[] | undefined => {
    const spot = drag?.on;
    if (!spot || !(e.ctrlKey || e.metaKey) || spot.fixture.cells === 0 || distance(drag) >= SLIP)
      return undefined;
    return [`${spot.fixture.number}.${cellAt(spot, drag.x0, symbolRadius(spot, all.length, view.scale))}`];
  };
  /** Shift on one that is selected takes it out again. */
  const turned = (how: 'add' | 'less' | 'hold') =>
    how === 'add' && drag?.on && distance(drag) < SLIP && order.has(String(drag.on.fixture.number))
      ? 'less'
      : how;
  /** Arrows go to the next fixture that way, Enter and Space pick it, as a press does. */
  const onKeyDown = (e: React.KeyboardEvent) => {
    const way = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] }[e.key];
    const here = all.find((s) => s.fixture.number === cursor);
    if (way && !e.altKey) setCursor(next(all, here, way[0]!, way[1]!)?.fixture.number ?? null);
    else if ((e.key === 'Enter' || e.key === ' ') && here)
      void attempt(() =>
        select([String(here.fixture.number)], e.shiftKey ? 'add' : e.altKey ? 'less' : 'hold'),
      );
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  /** A mark, else the nearest fixture, else what stands there, under the pointer. */
  const pointAt = (x: number, y: number) => {
    const mark = markUnder(x, y);
    const spot = mark ? null : nearest(all, x, y, view.scale);
    const words = mark
      ? `${mark.name} · ${mark.x}, ${mark.y}, ${mark.z} m`
      : spot
        ? [`${spot.fixture.number} ${spot.fixture.name}`, spot.fixture.position].filter(Boolean).join(' · ')
        : sceneryAt(scenery, toStage(view, x, y), side);
    if (words !== (under?.words ?? '')) setUnder(words ? { x, y, words } : null);
  };
  const placedHeld = fixtures.filter((f) => f.placed && order.has(String(f.number)));
  const words = pointing
    ? pointingWords
    : carriedMark
      ? `${carriedMark.name} → ${marks
          .filter((m) => m.id === carriedMark.id)
          .map((m) => `${m.x}, ${m.y}, ${m.z}`)
          .join('')}`
      : HINTS[aiming ? 'aim' : placing ? 'place' : 'pick'];
  const named = all.find((s) => s.fixture.number === cursor)?.fixture;
  const put = async (d: Drag) => {
    const z = Number.parseFloat(height) || 0;
    const held = all.filter((s) => order.has(String(s.fixture.number)));
    if (d.on) {
      const group =
        order.has(String(d.on.fixture.number)) && d.on.fixture.placed
          ? held.filter((s) => s.fixture.placed)
          : [d.on];
      return place(group.map((s) => landed(s, view, d, z)));
    }
    held.sort((a, b) => order.get(String(a.fixture.number))! - order.get(String(b.fixture.number))!);
    const from = toStage(view, d.x0, d.y0);
    const to = toStage(view, d.x1, d.y1);
    const last = Math.max(1, held.length - 1);
    if (held.length === 0 || distance(d) < SLIP) return undefined;
    return place(
      held.map((s, i) => ({
        number: s.fixture.number,
        x: round2(from.x + ((to.x - from.x) * i) / last),
        y: round2(from.y + ((to.y - from.y) * i) / last),
        z,
      })),
    );
  };
  return (
    <div className="stage-window flex min-h-0 flex-1 flex-col overflow-hidden rounded-lg bg-stage text-stage-ink">
      <StageTools
        side={side}
        onSide={(s) => {
          setSide(s);
          setLens(WHOLE);
          setPlacing(false);
        }}
        tool={aiming ? 'aim' : placing ? 'place' : round ? 'lasso' : 'pick'}
        onTool={(tool) => {
          setAiming(tool === 'aim');
          setPlacing(tool === 'place');
          setRound(tool === 'lasso');
        }}
        path={path}
        onPath={() => setPath(!path)}
        height={height}
        onHeight={setHeight}
        near={lens.factor > 1}
        onWhole={() => setLens(WHOLE)}
        onSelection={
          placedHeld.length > 0 ? () => setLens(nearTo(placedHeld, wholeView, size, side)) : undefined
        }
      />
      <div ref={box} className="relative min-h-0 flex-1">
        <canvas
          ref={canvas}
          data-testid="stage"
          role="application"
          tabIndex={0}
          aria-label={`Stage plan with ${fixtures.length} fixtures, ${order.size} selected. Arrows go from one to the next, Enter picks, Shift adds, Alt takes out.`}
          aria-describedby="stage-cursor"
          className="absolute inset-0 h-full w-full touch-none"
          onWheel={onWheel}
          onKeyDown={onKeyDown}
          onBlur={() => setCursor(null)}
          onPointerLeave={() => setUnder(null)}
          onPointerDown={onPointerDown}
          onPointerMove={(e) => {
            const { x, y } = at(e);
            if (!drag) return pointAt(x, y);
            setDrag({ ...drag, x1: x, y1: y, trail: round ? [...drag.trail, { x, y }] : drag.trail });
          }}
          onPointerUp={onPointerUp}
        />
        <canvas
          ref={over}
          width={size.width * (window.devicePixelRatio || 1)}
          height={size.height * (window.devicePixelRatio || 1)}
          aria-hidden="true"
          className="pointer-events-none absolute inset-0 h-full w-full"
        />
        <StageWords under={drag ? null : under} words={words} instead={instead?.words} width={size.width} />
        <output id="stage-cursor" aria-live="polite" className="sr-only">
          {named &&
            `Fixture ${named.number}, ${named.name}${named.position ? `, ${named.position}` : ''}${order.has(String(named.number)) ? ', selected' : ''}`}
        </output>
      </div>
    </div>
  );
});
