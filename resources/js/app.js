import Alpine from '@alpinejs/csp';
import bringBack from './counter/bring-back.js';
import counter from './counter/counter.js';
import entry from './counter/entry.js';
import lines from './counter/lines.js';
import { bought, fetched, look } from './counter/look.js';
import off from './counter/off.js';
import sounds from './page/sounds.js';
import { margin, more, panel } from './counter/panel.js';
import settle from './counter/settle.js';
import signing from './counter/signing.js';
import board from './office/board.js';
import cashCount from './office/cash-count.js';
import cheques from './office/cheques.js';
import { lineReading, scannedInto, statementRun, workedOut, workProgress } from './office/pages.js';
import payment from './office/payment.js';
import picking from './office/picking.js';
import scanSheet from './office/scan-sheet.js';
import familyGrid from './page/family-grid.js';
import narrows from './page/narrows.js';
import drop from './page/drop.js';
import idle from './page/idle.js';

const components = {
    counter, entry, lines, settle, panel, more, margin, off, bought, look, fetched, bringBack, signing,
    payment, picking, scanSheet, board, cashCount, cheques, statementRun, workProgress, workedOut, lineReading,
    scannedInto, familyGrid,
    drop, narrows, idle, sounds,
    prints: () => ({ now: () => window.print() }),
};

for (const [name, component] of Object.entries(components)) Alpine.data(name, component);
Alpine.start();
