/** A wire that was let go of where nothing is. */
import type { PortOf } from '../../../../../core/edits/graph-edits';
import type { Loose } from '../../../../../core/kinds/nodes/fitting';
import type { PortType } from '../../../../../core/kinds/nodes/ports';

export interface LooseWire {
  readonly from: PortOf;
  readonly type: PortType;
  readonly way: Loose;
  /** Where on the board. */
  readonly at: readonly [number, number];
}
