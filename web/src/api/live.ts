import ReconnectingWebSocket from 'partysocket/ws';
import { create } from 'zustand';
import { useCurrentShow } from './current-show';
import { queryClient, refresh, refreshAll, showsQuery } from './queries';
import { readParts, type RigPart } from './rig-parts';
import { page } from './writing';

/** The rig as last received, by number and cell; drawn from as frames come, so not React state. */
export const rig = {
  parts: new Map<string, RigPart>(),
  version: 0,
  /** Called with every frame. */
  listeners: new Set<() => void>(),
};

/** Away: it was tried and nobody answers. */
export const useConnection = create(() => ({ connected: false, away: false }));

function take(frame: ArrayBuffer) {
  readParts(frame, rig.parts);
  rig.version++;
  rig.listeners.forEach((told) => told());
}

interface Changed {
  type: 'changed';
  show: number;
  revision: number;
  live: boolean;
  all: boolean;
  views: string[];
  fixtures: number[];
}

interface Note {
  type: 'versions' | 'storage' | 'playing' | 'step';
  show: number;
  words: string;
  views: string[];
}

function changed(message: Changed) {
  if (message.live && message.show !== useCurrentShow.getState().id) {
    // All of its light follows this message.
    rig.parts.clear();
    useCurrentShow.getState().set(message.show);
  }
  if (message.all) refreshAll();
  else refresh(message.show, message.views, message.fixtures);
}

/** After being away everything that is shown is looked at anew, the show itself included. */
async function comeBack() {
  const shows = await queryClient.fetchQuery(showsQuery).catch(() => undefined);
  const live = shows?.find((s) => s.live)?.id;
  if (live !== undefined && useCurrentShow.getState().id !== live) useCurrentShow.getState().set(live);
  refreshAll();
}

/** Called when something runs otherwise than before, and after being away. */
export const onPlaying: { listener: () => void } = { listener: () => undefined };

const QUICKEST_MS = 500;
const SLOWEST_MS = 4000;

/** Connects, and connects again whenever the application has been away. */
export function connect() {
  const socket = new ReconnectingWebSocket(`ws://${window.location.host}/live?page=${page}`, [], {
    minReconnectionDelay: QUICKEST_MS,
    maxReconnectionDelay: SLOWEST_MS,
    reconnectionDelayGrowFactor: 1.5,
    maxEnqueuedMessages: 0,
  });
  socket.binaryType = 'arraybuffer';
  socket.addEventListener('open', () => {
    // Before anything arrives: the first frame is whole and comes at once.
    rig.parts.clear();
    useConnection.setState({ connected: true, away: false });
    void comeBack().then(() => onPlaying.listener());
  });
  socket.addEventListener('message', (message: MessageEvent<ArrayBuffer | string>) => {
    if (message.data instanceof ArrayBuffer) {
      take(message.data);
      return;
    }
    const told = JSON.parse(message.data) as Changed | Note;
    if (told.type === 'changed') changed(told);
    else {
      refresh(told.show, told.views);
      if (told.type === 'playing' || told.type === 'step') onPlaying.listener();
      if (told.type === 'storage') void queryClient.invalidateQueries({ queryKey: ['storage'] });
    }
  });
  socket.addEventListener('close', () => useConnection.setState({ connected: false, away: true }));
}
