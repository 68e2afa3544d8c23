/* Plants one violation of each kind, and what must be let through, and looks at what ESLint says of them. Run by npm run check. */
import assert from 'node:assert/strict';
import { rmSync, writeFileSync } from 'node:fs';
import { ESLint } from 'eslint';

const PLANTED = 'resources/ts/planted.ts';
const HEAD =
    "import type { Schemas } from './api/client';\nexport const planted = (card: Schemas['SeriesPoint'], page: Schemas['SeriesPage']) =>\n    ";
const CASES = [
    ['card.volts * 1.05', 'computed'],
    ['(card.volts ?? 0) - 5', 'computed'],
    ['page.low !== null && page.low < 4.75', 'computed'],
    ['((it) => it / 2)(card.volts!) + -page.high!', 'computed'],
    ['(({ volts }) => volts! > 4.75)(card)', 'computed'],
    ['Math.abs(card.volts!)', 'computed'],
    ['Math.log10(page.points.length)', 'formula'],
    ['page.points.length ** 2', 'formula'],
    ['(1 / 3).toFixed(2)', 'print'],
    ['page.points.length * 2', null],
    ['card.says + card.at', null],
    ['card.volts === 0 || (card.volts ?? 1) > 0', null],
];

const eslint = new ESLint();
try {
    for (const [code, expected] of CASES) {
        writeFileSync(PLANTED, `${HEAD}${code};\n`);
        const [result] = await eslint.lintFiles([PLANTED]);
        const found = result.messages.filter((it) => it.ruleId === 'house/quantities').map((it) => it.messageId);
        assert.deepEqual(
            result.messages.filter((it) => it.fatal),
            [],
            code,
        );
        assert.deepEqual([...new Set(found)], expected === null ? [] : [expected], code);
    }
} finally {
    rmSync(PLANTED, { force: true });
}
