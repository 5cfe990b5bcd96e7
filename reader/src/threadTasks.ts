import type { Quad } from '@dossier/core/capture';
import { growOutlines } from './growOutlines';
import type { LabPlanes } from './labPlanes';
import { readLane, type SharedLines } from './lineLane';
import { loadRecogniser } from './models';

/** What the second thread can be asked for, by name: see `secondThread`. */
export const readLines = async (shared: SharedLines) => readLane(await loadRecogniser(), shared);

export const grow = ({ lab, text }: { lab: LabPlanes; text: readonly Quad[] }) => growOutlines(lab, text);
