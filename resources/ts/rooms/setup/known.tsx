import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { record, type Sent } from '../../api/outbox';
import { Button, Notice, Part } from '../../ui/controls';
import { Select } from '../../ui/select';
import { stands } from './stands';

type Known = Schemas['KnownBlockCard'];

/** Blocks that are known of this kind of machine, and devices as their age commonly made them: where one stands is a press. */
export function KnownBlocks({ page }: { page: Schemas['SetupPage'] }) {
    const [name, setName] = useState('');
    const device = page.generic.find((it) => it.name === name);
    const held = new Set(page.settings.map((it) => `${it.device} ${it.block}`));
    return (
        <>
            {page.known.length > 0 && (
                <Part title="Known of this kind of machine">
                    <Ways blocks={page.known} job={page.job_id} />
                </Part>
            )}
            <Part title="A device of that age">
                <Select
                    label="What nothing is known of; its numbers are what was common"
                    value={name}
                    options={[['', 'choose one'], ...page.generic.map((it): [string, string] => [it.name, `${it.name}: ${it.what}`])]}
                    onChange={setName}
                />
                {device !== undefined && (
                    <>
                        <p className="mt-2 text-sm text-soft">{device.source}. Look at the board before it is believed.</p>
                        <Ways blocks={device.blocks.filter((it) => !held.has(`${it.device} ${it.block}`))} job={page.job_id} />
                    </>
                )}
            </Part>
        </>
    );
}

function Ways({ blocks, job }: { blocks: Known[]; job: string }) {
    const [sent, setSent] = useState<Sent | null>(null);
    const stand = async (it: Known, at: number) => setSent(await record(job, stands(it, at), `${it.device} ${it.block}`));
    return (
        <>
            <ul className="flex flex-col gap-2">
                {blocks.map((it) => (
                    <li key={`${it.device} ${it.block}`}>
                        <span className="font-bold">{it.device}</span>, {it.block}: {it.takes_words}
                        <Wrong words={it.wrong} />
                        <div role="group" aria-label={`Where ${it.block} of ${it.device} stands`} className="flex flex-wrap gap-2">
                            {it.options.map((one, at) => (
                                <Button key={one.value} onClick={() => void stand(it, at)}>
                                    {one.words}
                                </Button>
                            ))}
                        </div>
                    </li>
                ))}
            </ul>
            {sent?.state === 'refused' && (
                <Notice tone="bad" live>
                    {sent.refusal.message}
                </Notice>
            )}
        </>
    );
}

/** What was written about a setting and is not so. */
export function Wrong({ words }: { words: string[] }) {
    return words.length === 0 ? null : (
        <ul className="border-l-4 border-close pl-2 text-sm">
            {words.map((it) => (
                <li key={it}>Proved wrong: {it}</li>
            ))}
        </ul>
    );
}
