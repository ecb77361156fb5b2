import type { LinearModel, LinearSolution, LinearSolver } from './linear.js';

/** What this file uses of the HiGHS package, loaded by whoever runs it. */
export interface Highs {
  solve(
    model: string,
    options?: Record<string, string | number | boolean>,
  ): {
    Status: string;
    ObjectiveValue: number;
    Columns: Record<string, { Primal?: number } | undefined>;
    Rows: readonly { Name: string; Dual?: number }[];
  };
}

const number = (value: number): string =>
  Number.isInteger(value) ? String(value) : value.toPrecision(15);
const LINE = 40;

/** The programme as CPLEX LP text, which HiGHS reads. Lines are kept short: its reader has a limit. */
function textOf({ columns, rows }: LinearModel): string {
  const terms = (list: readonly (readonly [number, number])[]) =>
    list
      .map(
        ([column, factor], index) =>
          `${factor < 0 ? '- ' : '+ '}${number(Math.abs(factor))} x${column}${(index + 1) % LINE === 0 ? '\n' : ''}`,
      )
      .join(' ');
  const lines = [
    'Minimize',
    `obj: ${terms(columns.map((column, index) => [index, column.cost] as const))}`,
    'Subject To',
    ...rows.map(
      (row, index) =>
        `r${index}: ${terms(row.terms)} ${row.sense === 'at least' ? '>=' : '<='} ${number(row.limit)}`,
    ),
    'Bounds',
    ...columns.map((column, index) =>
      Number.isFinite(column.most) ? `0 <= x${index} <= ${number(column.most)}` : `x${index} >= 0`,
    ),
  ];
  const whole = columns.flatMap((column, index) => (column.whole ? [`x${index}`] : []));
  if (whole.length > 0) {
    lines.push('General');
    for (let at = 0; at < whole.length; at += LINE)
      lines.push(whole.slice(at, at + LINE).join(' '));
  }
  return [...lines, 'End'].join('\n');
}

/** HiGHS as a solver of this programme's models. */
export const highsSolver =
  (highs: Highs): LinearSolver =>
  (model, seconds): LinearSolution | null => {
    const found = highs.solve(textOf(model), {
      output_flag: false,
      time_limit: seconds,
      mip_rel_gap: 1e-9,
    });
    const usable =
      found.Status === 'Optimal' ||
      (found.Status === 'Time limit reached' && Number.isFinite(found.ObjectiveValue));
    if (!usable || Math.abs(found.ObjectiveValue) > 1e29) return null;
    const duals = new Map(found.Rows.map((row) => [row.Name, row.Dual ?? 0]));
    return {
      objective: found.ObjectiveValue,
      values: model.columns.map((_column, index) => found.Columns[`x${index}`]?.Primal ?? 0),
      duals: model.rows.map((_row, index) => duals.get(`r${index}`) ?? 0),
      proven: found.Status === 'Optimal',
    };
  };
