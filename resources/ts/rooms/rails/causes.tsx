import type { Schemas } from '../../api/client';
import { Notice, Part } from '../../ui/controls';

const ADVICE = {
    ok: { tone: 'good', words: 'Power on: go' },
    hold: { tone: 'care', words: 'Power on: hold' },
    stop: { tone: 'bad', words: 'Power on: stop' },
} as const;

export function PowerOn({ page }: { page: Schemas['RailRunPage'] }) {
    const { tone, words } = ADVICE[page.power_on];
    return (
        <Notice tone={tone}>
            <span className="text-lg font-bold">{words}</span>. {page.power_on_reasons.slice(0, 3).join('; ')}
            {page.power_on_reasons.length > 3 && `; and ${page.power_on_reasons.length - 3} more`}
        </Notice>
    );
}

export function Causes({ causes }: { causes: Schemas['CauseCard'][] }) {
    if (causes.length === 0) return null;
    return (
        <Part title="Likely causes">
            <ul className="flex flex-col gap-2">
                {causes.map((cause) => (
                    <li key={cause.code} data-cause={cause.code}>
                        <p>
                            <span className="font-bold">{cause.rails.join(', ')}</span>: {cause.text}
                        </p>
                        {cause.evidence.map((line) => (
                            <p key={line} className="text-sm text-soft">
                                {line}
                            </p>
                        ))}
                    </li>
                ))}
            </ul>
        </Part>
    );
}
