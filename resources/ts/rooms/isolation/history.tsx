import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, data } from '../../api/client';
import { Field, Part } from '../../ui/controls';

/** What cured a symptom before, and which parts of a kind of machine fail most: counted, with how sure such counts are. */
export function History() {
    const [symptom, setSymptom] = useState('');
    const [kind, setKind] = useState('');
    const kinds = useQuery({ queryKey: ['kinds', ''], queryFn: () => data(api.GET('/kinds', { params: { query: {} } })) });
    const history = useQuery({
        queryKey: ['history', symptom, kind],
        placeholderData: keepPreviousData,
        queryFn: () =>
            data(
                api.GET('/history', {
                    params: { query: { ...(symptom === '' ? {} : { symptom }), ...(kind === '' ? {} : { kind }) } },
                }),
            ),
    });
    const page = history.data;
    return (
        <Part title="What cured it before" aside={<Link to="/library">Library of symptoms</Link>}>
            <div className="flex flex-wrap gap-3">
                <Field label="Symptom">
                    {(on) => (
                        <select {...on} value={symptom} onChange={(event) => setSymptom(event.target.value)}>
                            <option value="">choose</option>
                            {(page?.symptoms ?? []).map((it) => (
                                <option key={it.value} value={it.value}>
                                    {it.words}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
                <Field label="Kind of machine">
                    {(on) => (
                        <select {...on} value={kind} onChange={(event) => setKind(event.target.value)}>
                            <option value="">all of them</option>
                            {(kinds.data ?? []).map((it) => (
                                <option key={it.id} value={it.id}>
                                    {it.name}
                                </option>
                            ))}
                        </select>
                    )}
                </Field>
            </div>
            {page?.counted != null && <p className="mt-2">{page.counted}.</p>}
            {(page?.causes.length ?? 0) > 0 && (
                <Counted
                    title="It was"
                    rows={(page?.causes ?? []).map((it) => [it.words, `${it.jobs}`, `${it.percent} (95 % interval ${it.interval})`])}
                    heads={['Cause', 'Jobs', 'Share']}
                />
            )}
            {kind !== '' && page !== undefined && page.parts.length === 0 && (
                <p className="mt-2 text-soft">No capacitor of this kind of machine was tested and found bad.</p>
            )}
            {(page?.parts.length ?? 0) > 0 && (
                <Counted
                    title="Parts of this kind that fail most"
                    rows={(page?.parts ?? []).map((it) => [`${it.part}, ${it.board}`, `${it.bad} of ${it.tested}`, it.interval])}
                    heads={['Part', 'Bad of tested', '95 % interval']}
                />
            )}
        </Part>
    );
}

function Counted({ title, heads, rows }: { title: string; heads: string[]; rows: string[][] }) {
    return (
        <table className="mt-3 text-left">
            <caption className="text-left font-bold">{title}</caption>
            <thead>
                <tr className="text-sm text-soft">
                    {heads.map((it) => (
                        <th key={it} scope="col" className="pr-6">
                            {it}
                        </th>
                    ))}
                </tr>
            </thead>
            <tbody>
                {rows.map((row) => (
                    <tr key={row[0]} className="border-t border-line">
                        {row.map((cell, i) => (
                            <td key={heads[i]} className="pr-6 tabular-nums">
                                {cell}
                            </td>
                        ))}
                    </tr>
                ))}
            </tbody>
        </table>
    );
}
