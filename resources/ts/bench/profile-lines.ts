import { number } from '../ui/number';

export type Doc = Record<string, unknown>;

interface Codec {
    write: (value: unknown) => string;
    read: (text: string) => unknown[];
}

/** What was typed where a number belongs, without blanks around it. */
export const figure = (typed: string): number => number(typed.trim());

const said = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
const items = (value: unknown): Doc[] => (Array.isArray(value) ? (value as Doc[]) : []);

/** Objects as lines of cells between bars; cells at the end that are empty are left out. */
function cells(fields: [name: string, numeric: boolean][]): Codec {
    return {
        write: (value) =>
            items(value)
                .map((item) =>
                    fields
                        .map(([name]) => said(item[name]))
                        .join(' | ')
                        .replace(/( \| *)+$/, ''),
                )
                .join('\n'),
        read: (text) =>
            rows(text).map((row) =>
                Object.fromEntries(
                    fields
                        .map(([name, numeric], i) => [name, row[i] ?? '', numeric] as const)
                        .filter(([, cell]) => cell !== '')
                        .map(([name, cell, numeric]) => [name, numeric ? figure(cell) : cell]),
                ),
            ),
    };
}

const rows = (text: string): string[][] =>
    text
        .split('\n')
        .filter((line) => line.trim() !== '')
        .map((line) => line.split('|').map((cell) => cell.trim()));

export const boardLines = cells([
    ['key', false],
    ['name', false],
    ['serial', false],
]);
export const pointLines = cells([
    ['name', false],
    ['point', false],
    ['where', false],
    ['weight', true],
]);
export const supplyLines = cells([
    ['name', false],
    ['nominal_v', true],
    ['max_a', true],
    ['min_a', true],
]);
export const connectorLines = cells([
    ['name', false],
    ['orientation', false],
]);
export const noteLines = cells([
    ['source', false],
    ['note', false],
]);
export const listLines: Codec = {
    write: (value) => (Array.isArray(value) ? value.map(said).join('\n') : ''),
    read: (text) => rows(text).map((row) => row.join('|')),
};
export const loadLines: Codec = {
    write: (value) =>
        items(value)
            .map((item) =>
                [said(item['name']), ...Object.entries((item['amps'] ?? {}) as Doc).map(([rail, amps]) => `${rail} = ${said(amps)}`)].join(
                    ' | ',
                ),
            )
            .join('\n'),
    read: (text) =>
        rows(text).map(([name = '', ...amps]) => ({
            name,
            amps: Object.fromEntries(
                amps
                    .filter((cell) => cell !== '')
                    .map((cell) => cell.split('=').map((part) => part.trim()))
                    .map(([rail = '', value = '']) => [rail, figure(value)]),
            ),
        })),
};
