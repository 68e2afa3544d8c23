import type { ButtonHTMLAttributes, InputHTMLAttributes, ReactNode } from 'react';
import { useId } from 'react';
import { Link } from 'react-router';

const LOOKS = {
    main: 'bg-accent text-accent-ink border-accent hover:brightness-110',
    plain: 'bg-raised text-ink border-soft hover:bg-accent-wash',
    quiet: 'bg-transparent text-accent border-transparent underline underline-offset-3 hover:bg-accent-wash',
    stop: 'bg-raised text-out border-out hover:bg-out-wash',
} as const;

type Look = keyof typeof LOOKS;
const BUTTON = 'inline-flex min-h-11 items-center justify-center gap-2 rounded border px-3.5 text-base disabled:opacity-50';

export function Button({ look = 'plain', className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) {
    return <button type="button" className={`${BUTTON} ${LOOKS[look]} ${className}`} {...rest} />;
}

export function LinkButton({ to, look = 'plain', children }: { to: string; look?: Look; children: ReactNode }) {
    return (
        <Link to={to} className={`${BUTTON} no-underline ${LOOKS[look]}`}>
            {children}
        </Link>
    );
}

/** A labelled input; what is wrong with it stands right below it and is read out with it. */
export function Field({
    label,
    error,
    hint,
    children,
    ...rest
}: Omit<InputHTMLAttributes<HTMLInputElement>, 'children'> & {
    label: string;
    error?: string | undefined;
    hint?: string;
    children?: (id: { id: string; 'aria-describedby'?: string }) => ReactNode;
}) {
    const id = useId();
    const about = error !== undefined || hint !== undefined ? { 'aria-describedby': `${id}-about` } : {};
    return (
        <div className="flex flex-col gap-1">
            <label htmlFor={id} className="text-sm font-bold">
                {label}
            </label>
            {children?.({ id, ...about }) ?? <input id={id} {...about} aria-invalid={error !== undefined} {...rest} />}
            {(error ?? hint) !== undefined && (
                <p id={`${id}-about`} className={`text-sm ${error === undefined ? 'text-soft' : 'font-bold text-out'}`}>
                    {error ?? hint}
                </p>
            )}
        </div>
    );
}

/** A part of a page with its heading. */
export function Part({
    title,
    aside,
    children,
    className = '',
}: {
    title: string;
    aside?: ReactNode;
    children: ReactNode;
    className?: string;
}) {
    return (
        <section className={`sheet p-4 ${className}`}>
            <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
                <h2 className="border-l-4 border-wood pl-2">{title}</h2>
                {aside}
            </div>
            {children}
        </section>
    );
}

const TONES = {
    plain: 'border-line bg-sheet',
    care: 'border-close bg-close-wash',
    bad: 'border-out bg-out-wash',
    good: 'border-in bg-in-wash',
} as const;

export function Notice({ tone = 'plain', live = false, children }: { tone?: keyof typeof TONES; live?: boolean; children: ReactNode }) {
    return (
        <div role={live ? 'alert' : undefined} className={`rounded border-l-4 px-3 py-2 ${TONES[tone]}`}>
            {children}
        </div>
    );
}

/** The cautions of the work at hand: short, always there, never a thing to click away. */
export function Cautions({ words }: { words: string[] }) {
    return words.length === 0 ? null : (
        <aside aria-label="Cautions" className="flex flex-col gap-0.5 border-l-4 border-close pl-2 text-sm">
            {words.map((caution) => (
                <p key={caution}>{caution}</p>
            ))}
        </aside>
    );
}
