import { Fragment, type ReactNode } from 'react';
import { Group, Panel, Separator, useDefaultLayout } from 'react-resizable-panels';

export interface Pane {
  id: string;
  /** What it is called where its edge is told. */
  called: string;
  /** As it is until somebody drags: percent as "60%", pixels as a number. */
  usual: string | number;
  /** Pixels it does not get smaller than. */
  least: number;
  /** Whether it keeps its pixels when the window is another. */
  keeps?: boolean;
  children: ReactNode;
}

interface Props {
  /** Under what their sizes are remembered in this browser. */
  of: string;
  /** One above the other instead of side by side. */
  down?: boolean;
  panes: Pane[];
  className?: string;
}

/** What was dragged in a browser that keeps nothing is forgotten with the page. */
const remembered = {
  getItem: (key: string) => {
    try {
      return window.localStorage.getItem(`loculus ${key}`);
    } catch {
      return null;
    }
  },
  setItem: (key: string, value: string) => {
    try {
      window.localStorage.setItem(`loculus ${key}`, value);
    } catch {
      // Nothing is lost but the sizes.
    }
  },
};

/**
 * Panes whose common edges are dragged, or moved by arrow keys; a double press gives an edge its usual place. Their sizes
 * are remembered, also for each set of panes that is there together.
 */
export function Panes({ of, down = false, panes, className = '' }: Props) {
  /** Names of elements have no blanks. */
  const inGroup = (pane: Pane) => `${of} ${pane.id}`.replaceAll(' ', '-');
  const { defaultLayout, onLayoutChanged } = useDefaultLayout({
    id: of,
    panelIds: panes.map(inGroup),
    storage: remembered,
    onlySaveAfterUserInteractions: true,
  });
  return (
    <Group
      orientation={down ? 'vertical' : 'horizontal'}
      defaultLayout={defaultLayout}
      onLayoutChanged={onLayoutChanged}
      resizeTargetMinimumSize={{ fine: 12, coarse: 28 }}
      className={`min-h-0 min-w-0 flex-1 ${className}`}
    >
      {panes.map((pane, i) => (
        <Fragment key={pane.id}>
          {i > 0 && (
            <Separator
              id={`${inGroup(pane)}-edge`}
              aria-label={`Edge between ${panes[i - 1]!.called} and ${pane.called}`}
              title="Drag, or arrow keys; a double press gives the usual size"
              className={`edge ${down ? 'h-2.5' : 'w-3'}`}
            />
          )}
          <Panel
            id={inGroup(pane)}
            defaultSize={pane.usual}
            minSize={pane.least}
            groupResizeBehavior={pane.keeps ? 'preserve-pixel-size' : 'preserve-relative-size'}
            className="flex min-h-0 min-w-0 flex-col overflow-hidden!"
          >
            {pane.children}
          </Panel>
        </Fragment>
      ))}
    </Group>
  );
}
