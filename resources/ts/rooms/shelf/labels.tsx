import { useQuery } from '@tanstack/react-query';
import { lazy, Suspense } from 'react';
import { useSearchParams } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button } from '../../ui/controls';
import { Loaded, Page } from '../../ui/page';

/** A sheet of labels to print: the code opens the job on a telephone, the record of the board, or the part on the shelf. */
export function Labels() {
    const [query] = useSearchParams();
    const asked = { items: query.get('items') ?? '', boards: query.get('boards') ?? '', jobs: query.get('jobs') ?? '' };
    const labels = useQuery({ queryKey: ['labels', asked], queryFn: () => data(api.GET('/labels', { params: { query: asked } })) });
    return (
        <Loaded query={labels}>
            {(list) => (
                <Page
                    title="Labels"
                    over="Three across on a plain sheet"
                    aside={
                        <Button look="main" onClick={() => window.print()}>
                            Print
                        </Button>
                    }
                >
                    {list.length === 0 && <p className="sheet p-6 text-soft">Choose parts on the shelf, or a board, first.</p>}
                    <ul aria-label="Labels" className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3 print:grid-cols-3">
                        {list.map((label) => (
                            <Label key={label.url} label={label} />
                        ))}
                    </ul>
                </Page>
            )}
        </Loaded>
    );
}

/** Made by a library that is fetched with the first label. */
const Code = lazy(async () => {
    const { create } = await import('qrcode');
    return {
        default: function Code({ url }: { url: string }) {
            const code = create(url, { errorCorrectionLevel: 'M' }).modules;
            const dark = Array.from(code.data)
                .map((bit, i) => (bit === 0 ? '' : `M${i % code.size} ${Math.floor(i / code.size)}h1v1h-1z`))
                .join('');
            return (
                <svg
                    viewBox={`-4 -4 ${code.size + 8} ${code.size + 8}`}
                    className="w-28 flex-none bg-white"
                    role="img"
                    aria-label={`Code for ${url}`}
                >
                    <rect x="-4" y="-4" width={code.size + 8} height={code.size + 8} fill="#ffffff" />
                    <path d={dark} fill="#000000" shapeRendering="crispEdges" />
                </svg>
            );
        },
    };
});

function Label({ label }: { label: Schemas['LabelCard'] }) {
    return (
        <li className="sheet flex break-inside-avoid items-center gap-3 p-3">
            <Suspense fallback={<span className="h-28 w-28 flex-none" />}>
                <Code url={label.url} />
            </Suspense>
            <div className="min-w-0">
                <p className="text-xl font-bold break-words">{label.title}</p>
                {label.lines.map((line) => (
                    <p key={line} className="text-sm">
                        {line}
                    </p>
                ))}
            </div>
        </li>
    );
}
