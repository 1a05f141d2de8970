export { applyBoardLine } from './board-line.ts';
export { boardRows, emptyBoard, usualRows, type Board, type BoardPart, type BoardWire } from './board.ts';
export {
  addWire,
  dropPart,
  emptyRowHole,
  exchangeParts,
  freeHole,
  moveHole,
  movePart,
  putLeg,
  putPart,
  removeWire,
} from './board-edits.ts';
export { netsOf } from './nets.ts';
export { boardFaults, usedHoles } from './board-faults.ts';
export { builtNetwork } from './built-network.ts';
export { carriedNodes } from './carried-nodes.ts';
export { differenceEffect } from './difference-effect.ts';
export {
  boardDifferences,
  differenceHoles,
  differenceSentence,
  mendBoard,
  mendingText,
  type BoardDifference,
} from './differences/index.ts';
export { legName } from './differences/words.ts';
export { boardCautions, effectSentence } from './effect.ts';
export { followNetwork } from './follow-network.ts';
export { columnsOn, holePattern, holesIn, parseHole, railOf, rails, stripOf, type Strip } from './holes.ts';
export { placeParts } from './placement/place-parts.ts';
export { breakPlace, legHoles, probeHole, probePlace } from './probe-places.ts';
