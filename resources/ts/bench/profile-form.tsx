import { useState, type ReactNode } from 'react';
import { Field } from '../ui/controls';
import type { Doc } from './profile-lines';

/** What a room's part of the form is given: the whole document, of which it changes its own fields only. */
export interface OnProfile {
    doc: Doc;
    onChange: (doc: Doc) => void;
}

export const text = (value: unknown): string => (typeof value === 'string' || typeof value === 'number' ? String(value) : '');
export const list = (value: unknown): Doc[] => (Array.isArray(value) ? (value as Doc[]) : []);
export const inner = (value: unknown): Doc => (typeof value === 'object' && value !== null ? (value as Doc) : {});

/** The document with one field set, or without it when there is nothing in it. */
export function put(doc: Doc, field: string, value: unknown): Doc {
    const empty = value === '' || value === undefined || (Array.isArray(value) && value.length === 0);
    return empty ? Object.fromEntries(Object.entries(doc).filter(([name]) => name !== field)) : { ...doc, [field]: value };
}

export function Check({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }): ReactNode {
    return (
        <label className="flex min-h-11 items-center gap-3">
            <input type="checkbox" checked={on} onChange={(event) => onChange(event.target.checked)} />
            {label}
        </label>
    );
}

/** A list as lines of text: kept as it is typed, handed on as the list it stands for. */
export function Lines({
    label,
    hint,
    codec,
    value,
    onChange,
}: {
    label: string;
    hint: string;
    codec: { write: (value: unknown) => string; read: (text: string) => unknown[] };
    value: unknown;
    onChange: (value: unknown[]) => void;
}) {
    const [typed, setTyped] = useState(() => codec.write(value));
    return (
        <Field label={label} hint={hint}>
            {(ids) => (
                <textarea
                    {...ids}
                    className="figure-number text-sm"
                    value={typed}
                    onChange={(event) => {
                        setTyped(event.target.value);
                        onChange(codec.read(event.target.value));
                    }}
                />
            )}
        </Field>
    );
}
