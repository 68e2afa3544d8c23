import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data, words } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Field, Notice, Part } from '../../ui/controls';

/** What the machine says it counts, as it says it, against what the map says is fitted. */
export function CountedAtStart({ job, map }: { job: string; map: string }) {
    const [says, setSays] = useState('');
    const asked = useMutation({
        mutationFn: () => data(api.GET('/jobs/{job}/memory/counted', { params: { path: { job }, query: { map, says } } })),
    });
    const keep = () => {
        const line = `the machine counts: ${says}. ${asked.data?.says.join('; ') ?? ''}`;
        void record(job, { kind: 'observation', text: line }, line).then(() => {
            setSays('');
            asked.reset();
        });
    };
    return (
        <Part title="What the machine counts">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    asked.mutate();
                }}
            >
                <div className="flex-1">
                    <Field
                        label="It says"
                        placeholder="48082 bytes free"
                        value={says}
                        onChange={(event) => {
                            setSays(event.target.value);
                            asked.reset();
                        }}
                    />
                </div>
                <Button type="submit">Compare</Button>
            </form>
            <div role="status" className="mt-2">
                {asked.isSuccess && (
                    <>
                        {asked.data.says.map((line, i) => (
                            <p key={line} className={i === 0 ? 'font-bold' : ''}>
                                {line}
                            </p>
                        ))}
                        <Button onClick={keep}>Write it down</Button>
                    </>
                )}
                {asked.error !== null && <Notice tone="bad">{words(asked.error)}</Notice>}
            </div>
        </Part>
    );
}
