import Papa from 'papaparse';
import { InputError } from '../document/errors';
import { FIELD_MM } from '../document/recordBounds';
import { COMMANDS, ROLES } from '../stitches/roles';
import { MOST_LISTED, MOST_LISTED_PIECES, MOST_LISTED_THREADS, StitchRows, type StitchList } from '../stitches/stitchList';
import { CSV_HEADER } from './csv';

const refused = (why: string): InputError => new InputError('bad-stitches', `This stitch list cannot be used: ${why}.`);
/** What a spreadsheet would run was written with a sign before it that is none of the name. */
const asWritten = (cell: string): string => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/**
 * Reads a stitch list (CSV, RFC 4180) as Cobble writes it.
 * @throws InputError with one sentence that names the row
 */
export function readCsv(text: string): StitchList {
  const { data } = Papa.parse<string[]>(text.replace(/^\ufeff/, ''), { skipEmptyLines: true });
  if (data.length === 0 || data[0]!.join(',').trim() !== CSV_HEADER) throw refused(`its first row must be ${CSV_HEADER}`);
  if (data.length - 1 > MOST_LISTED) throw refused(`it has more than ${MOST_LISTED.toLocaleString('en')} events`);
  const rows = new StitchRows();
  for (let i = 1; i < data.length; i++) addRow(rows, data[i]!, i + 1);
  if (rows.length === 0) throw refused('it has no stitches');
  if (rows.threadCount > MOST_LISTED_THREADS || rows.pieceCount > MOST_LISTED_PIECES) throw refused('it has too many threads or pieces');
  return rows.list();
}

function addRow(rows: StitchRows, cells: readonly string[], line: number): void {
  if (cells.length !== 6) throw refused(`row ${line} has ${cells.length} cells instead of 6`);
  const [x, y] = [Number(cells[0]), Number(cells[1])];
  if (cells[0]!.trim() === '' || cells[1]!.trim() === '' || !(Math.abs(x) <= FIELD_MM && Math.abs(y) <= FIELD_MM))
    throw refused(`row ${line} has no place within ${FIELD_MM} mm of the middle`);
  const command = COMMANDS.indexOf(cells[2]! as never);
  const role = ROLES.indexOf(cells[3]! as never);
  if (command < 0) throw refused(`row ${line} says ‘${cells[2]!.slice(0, 20)}’ where stitch, jump, trim, stop or end must stand`);
  if (role < 0) throw refused(`row ${line} says ‘${cells[3]!.slice(0, 20)}’ where tie, underlay, cover or travel must stand`);
  rows.push({ x, y }, { command, role, piece: asWritten(cells[4]!), thread: asWritten(cells[5]!) });
}
