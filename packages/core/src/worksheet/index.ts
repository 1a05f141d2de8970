export { networkOfSheet, sheetOfNetwork } from './sheet-network.ts';
export { solveWorksheet } from './solve-worksheet.ts';
export {
  keyOf as sheetKey,
  sheetQuantities,
  unitOfSheet,
  worksheetFaults,
  type Given,
  type SheetElement,
  type SheetQuantity,
  type SheetResistor,
  type SheetRule,
  type SheetSource,
  type SheetStep,
  type SheetValues,
  type Worksheet,
  type WorksheetResult,
} from './worksheet.ts';
