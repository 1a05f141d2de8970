export { applyBoardLine } from './board-line.ts';
export { boardRows, emptyBoard, usualRows, type Board, type BoardPart, type BoardWire } from './board.ts';
export { addWire, moveHole, putLeg, putPart, removeWire } from './board-edits.ts';
export { boardFaults, usedHoles } from './board-faults.ts';
export { builtNetwork } from './built-network.ts';
export { carriedNodes, checkBoard, type BoardCheck } from './check-board.ts';
export { differenceSentence, mendBoard, mendingText, type BoardDifference } from './differences/index.ts';
export { effectSentence } from './effect.ts';
export { followNetwork } from './follow-network.ts';
export {
  columnsOn,
  holePattern,
  holesIn,
  lastUpperRow,
  parseHole,
  rails,
  rowsOf,
  stripOf,
  stripWords,
  type Strip,
} from './holes.ts';
export { placeParts } from './placement/place-parts.ts';
export { breakPlace, probePlace, probeStrip } from './probe-places.ts';
