import { create } from 'zustand';
import { useCurrentShow } from './current-show';
import { refresh } from './queries';

/** What one part of a simulated fixture does, as received. Angles in degrees, landing in metres. */
export interface RigPart {
  number: number;
  cell: number;
  lands: boolean;
  dead: boolean;
  red: number;
  green: number;
  blue: number;
  intensity: number;
  pan: number;
  tilt: number;
  beam: number;
  x: number;
  y: number;
}

const OCTETS = 36;

/** The rig as last received, by number and cell; drawn from on every animation frame, so not React state. */
export const rig = { parts: new Map<string, RigPart>(), version: 0 };

export const useConnection = create<{ connected: boolean }>(() => ({ connected: false }));

function take(frame: ArrayBuffer) {
  const view = new DataView(frame);
  for (let at = 0; at + OCTETS <= view.byteLength; at += OCTETS) {
    const flags = view.getUint8(at + 6);
    const part: RigPart = {
      number: view.getUint32(at, true),
      cell: view.getUint16(at + 4, true),
      lands: (flags & 1) !== 0,
      dead: (flags & 2) !== 0,
      red: view.getUint8(at + 7),
      green: view.getUint8(at + 8),
      blue: view.getUint8(at + 9),
      intensity: view.getFloat32(at + 12, true),
      pan: view.getFloat32(at + 16, true),
      tilt: view.getFloat32(at + 20, true),
      beam: view.getFloat32(at + 24, true),
      x: view.getFloat32(at + 28, true),
      y: view.getFloat32(at + 32, true),
    };
    rig.parts.set(`${part.number}.${part.cell}`, part);
  }
  rig.version++;
}

interface Changed {
  type: string;
  show: number;
  areas: string[];
  live: boolean;
}

/** Connects, and connects again whenever the application has been away. */
export function connect() {
  const socket = new WebSocket(`ws://${window.location.host}/live`);
  socket.binaryType = 'arraybuffer';
  socket.onopen = () => {
    useConnection.setState({ connected: true });
    refresh(['show', 'fixtures', 'groups', 'palettes', 'hand', 'values']);
  };
  socket.onmessage = (message) => {
    if (message.data instanceof ArrayBuffer) {
      take(message.data);
      return;
    }
    const changed = JSON.parse(message.data as string) as Changed;
    if (changed.live && changed.show !== useCurrentShow.getState().id) {
      rig.parts.clear();
      useCurrentShow.getState().set(changed.show);
    }
    refresh(changed.areas);
  };
  socket.onclose = () => {
    useConnection.setState({ connected: false });
    window.setTimeout(connect, 1000);
  };
}
