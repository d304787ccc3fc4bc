/** What shows nothing itself is picked by a small mark. Metres. */
import { boxAbout } from '../../maths/box';

export const MARK = boxAbout(0.02, 0.02, 0.02);
