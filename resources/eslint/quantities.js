import { ESLintUtils } from '@typescript-eslint/utils';

/*
 * A rule of the trade stands in core and nowhere else. On this floor nothing is computed from what the API answers, and nothing is
 * compared with it: the syntax tree and the types tell where a number comes from.
 */
const ARITHMETIC = new Set(['+', '-', '*', '/', '%', '**', '<', '>', '<=', '>=']);
const FORMULAS = new Set(['log', 'log10', 'log2', 'log1p', 'sqrt', 'cbrt', 'pow', 'exp', 'expm1', 'hypot', 'sin', 'cos', 'tan', 'atan2']);
const PRINTS = new Set(['toFixed', 'toPrecision', 'toExponential']);
/** Operators that hand a value on. */
const THROUGH = {
    TSNonNullExpression: 'expression',
    TSAsExpression: 'expression',
    ChainExpression: 'expression',
    UnaryExpression: 'argument',
};

export const quantities = {
    meta: {
        type: 'problem',
        docs: { description: 'TypeScript computes nothing of the trade' },
        messages: {
            computed: '"{{name}}" comes from the API: what is computed from it or compared with it belongs to core',
            formula: '{{name}} is a formula: it belongs to core',
            print: '{{name}} prints a quantity: core has a notation for that',
        },
        schema: [
            {
                type: 'object',
                properties: { generated: { type: 'string' }, drawn: { type: 'array', items: { type: 'string' } } },
                additionalProperties: false,
            },
        ],
    },
    create(context) {
        const { generated = 'types.generated.d.ts', drawn = [] } = context.options[0] ?? {};
        const services = ESLintUtils.getParserServices(context);
        const checker = services.program.getTypeChecker();
        /** Whether there is any is no measure. */
        const nothing = (node) => node.type === 'Literal' && node.value === 0;
        const said = (node) => {
            let it = node;
            while (it.type in THROUGH) it = it[THROUGH[it.type]];
            if (it.type === 'LogicalExpression' && it.operator === '??') return said(it.left);
            if (it.type !== 'MemberExpression' && it.type !== 'Identifier') return null;
            const name = it.type === 'Identifier' ? it : it.property;
            const ts = services.esTreeNodeToTSNodeMap.get(name);
            const type = checker.getTypeAtLocation(services.esTreeNodeToTSNodeMap.get(it));
            const isNumber = (type.isUnion() ? type.types : [type]).some((one) => (one.flags & 296) !== 0);
            if (!isNumber) return null;
            const symbol = checker.getSymbolAtLocation(ts);
            const from = (one) =>
                (one?.declarations ?? []).some(
                    (at) =>
                        at.getSourceFile().fileName.endsWith(generated) ||
                        // `const { volts } = card` and `({ volts }) =>` take a property out under its own name
                        (at.name?.parent?.kind === at.kind && at.parent?.elements !== undefined && taken(at)),
                );
            const taken = (binding) => {
                const whole = checker.getTypeAtLocation(binding.parent);
                return from(whole.getProperty((binding.propertyName ?? binding.name).getText()));
            };
            return from(symbol) && !drawn.includes(symbol.name) ? symbol.name : null;
        };
        return {
            BinaryExpression(node) {
                if (!ARITHMETIC.has(node.operator)) return;
                if (node.operator === '**') return context.report({ node, messageId: 'formula', data: { name: '**' } });
                if (nothing(node.left) || nothing(node.right)) return;
                const name = said(node.left) ?? said(node.right);
                if (name !== null) context.report({ node, messageId: 'computed', data: { name } });
            },
            AssignmentExpression(node) {
                if (node.operator === '=' || !ARITHMETIC.has(node.operator.slice(0, -1))) return;
                const name = said(node.left) ?? said(node.right);
                if (name !== null) context.report({ node, messageId: 'computed', data: { name } });
            },
            CallExpression(node) {
                const { callee } = node;
                if (callee.type !== 'MemberExpression' || callee.property.type !== 'Identifier') return;
                const name = callee.property.name;
                if (PRINTS.has(name)) context.report({ node, messageId: 'print', data: { name } });
                if (callee.object.type !== 'Identifier' || callee.object.name !== 'Math') return;
                if (FORMULAS.has(name)) context.report({ node, messageId: 'formula', data: { name: `Math.${name}` } });
                const of = node.arguments.map(said).find((it) => it !== null);
                if (of !== undefined) context.report({ node, messageId: 'computed', data: { name: of } });
            },
        };
    },
};
