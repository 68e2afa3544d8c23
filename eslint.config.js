import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';
import { quantities } from './resources/eslint/quantities.js';

const drawing = (file, ...drawn) => ({ files: [file], rules: { 'house/quantities': ['error', { drawn }] } });

export default tseslint.config(
    { ignores: ['**/*.generated.d.ts'] },
    ...tseslint.configs.strictTypeChecked,
    hooks.configs.flat['recommended-latest'],
    {
        plugins: { house: { rules: { quantities } } },
        languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
        rules: {
            'house/quantities': ['error', {}],
            '@typescript-eslint/no-confusing-void-expression': 'off',
            '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
        },
    },
    // Where something is drawn, its place on the drawing is worked out from what the API says of it in shares, millimetres or steps.
    drawing('resources/ts/bench/strip.tsx', 'low', 'high', 'wide_low', 'wide_high', 'guard', 'tick'),
    drawing('resources/ts/bench/photos.tsx', 'x', 'y'),
    drawing('resources/ts/rooms/capacitors/scale.tsx', 'clearance_mm'),
    drawing('resources/ts/rooms/memory/pins.tsx', 'pin'),
    drawing('resources/ts/rooms/memory/sockets.tsx', 'level'),
    // The point with the most readings is the one to begin with; a file longer than the server takes is not sent.
    drawing('resources/ts/rooms/rails/over-time.tsx', 'readings'),
    drawing('resources/ts/rooms/memory/intake.tsx', 'most_file'),
    { files: ['resources/ts/ui/number.ts'], rules: { 'house/quantities': 'off' } },
);
