import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { ulid } from 'ulid';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, LinkButton, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { number } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { choices, Select } from '../../ui/select';
import { useMayRecord } from '../../ui/session';
import { dayAndClock } from '../../ui/when';
import { PartForm, partBody, usePart } from './part-form';

export function ShelfItem() {
    const { id = '' } = useParams();
    const item = useQuery({
        queryKey: ['shelf-item', id],
        queryFn: () => data(api.GET('/shelf/{item}', { params: { path: { item: id } } })),
    });
    return <Loaded query={item}>{(page) => <ItemSheet page={page} />}</Loaded>;
}

function ItemSheet({ page }: { page: Schemas['ShelfItemPage'] }) {
    const may = useMayRecord();
    const client = useQueryClient();
    const { item } = page;
    const put = (next: Schemas['ShelfItemPage']) => {
        client.setQueryData(['shelf-item', item.id], next);
        void client.invalidateQueries({ queryKey: ['shelf'] });
        void client.invalidateQueries({ queryKey: ['bench'] });
    };
    const release = (id: string) =>
        void data(api.DELETE('/shelf-reservations/{reservation}', { params: { path: { reservation: id } } })).then(
            () => void client.invalidateQueries({ queryKey: ['shelf-item', item.id] }),
        );
    return (
        <Page
            title={item.name}
            over={<Link to="/shelf">Shelf</Link>}
            aside={<LinkButton to={`/labels?items=${item.id}`}>Label</LinkButton>}
        >
            <section className="sheet flex flex-wrap gap-x-10 gap-y-2 p-4">
                <p>
                    <span className="figure-number block text-6xl font-bold">{item.quantity}</span>
                    on the shelf{item.low && <span className="font-bold text-close">, low</span>}
                </p>
                <p>
                    <span className="figure-number block text-6xl font-bold">{item.free}</span>
                    free
                </p>
                <p className="text-lg">
                    {item.sku}, {item.place}
                    <span className="block text-base text-soft">
                        {item.donor_board !== null ? `taken off ${item.donor_board}` : item.source}, {item.came_on}
                        {item.tested ? ', tested' : ', not tested'}
                    </span>
                </p>
            </section>
            {may && (
                <div className="grid gap-3 lg:grid-cols-2">
                    <Move item={item} put={put} />
                    <Reserve page={page} put={put} />
                </div>
            )}
            {may && <Edit key={JSON.stringify(page.fields)} page={page} put={put} />}
            {page.reservations.length > 0 && (
                <Part title="Set aside">
                    <ul>
                        {page.reservations.map((it) => (
                            <li key={it.id} className="flex items-center gap-3">
                                {it.quantity} for <Link to={`/jobs/${it.job_id}`}>{it.job_label}</Link>, {it.author}
                                {may && <Button onClick={() => release(it.id)}>Free it</Button>}
                            </li>
                        ))}
                    </ul>
                </Part>
            )}
            <Part title="Coming and going">
                <ul>
                    {page.moves.map((it, i) => (
                        <li key={i}>
                            <span className="figure-number font-bold">
                                {it.change > 0 ? '+' : ''}
                                {it.change}
                            </span>{' '}
                            {it.why}
                            {it.note !== null && `, ${it.note}`}{' '}
                            <span className="text-sm text-soft">
                                {dayAndClock(it.at)}, {it.author}
                            </span>{' '}
                            {it.job_id !== null && <Link to={`/jobs/${it.job_id}`}>job</Link>}
                        </li>
                    ))}
                </ul>
            </Part>
        </Page>
    );
}

function Move({ item, put }: { item: Schemas['ShelfCard']; put: (next: Schemas['ShelfItemPage']) => void }) {
    const [count, setCount] = useState('');
    const [note, setNote] = useState('');
    const [what, setWhat] = useState<'change' | 'counted'>('change');
    const send = useSend(
        () =>
            data(
                api.POST('/shelf/{item}/moves', {
                    params: { path: { item: item.id } },
                    body: { id: ulid(), [what]: number(count), ...(note.trim() === '' ? {} : { note }) },
                }),
            ),
        (next) => {
            put(next);
            setCount('');
            setNote('');
        },
    );
    return (
        <Part title="Received, or counted">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void send.submit();
                }}
            >
                <div className="w-48">
                    <Select
                        label="It was"
                        value={what}
                        options={[
                            ['change', 'received, - taken'],
                            ['counted', 'counted'],
                        ]}
                        onChange={(next) => setWhat(next === 'counted' ? 'counted' : 'change')}
                    />
                </div>
                <div className="w-28">
                    <Field
                        label="Pieces"
                        inputMode="numeric"
                        value={count}
                        error={send.at('/change') ?? send.at('/counted')}
                        onChange={(event) => setCount(event.target.value)}
                    />
                </div>
                <div className="min-w-40 flex-1">
                    <Field label="Note" value={note} error={send.at('/note')} onChange={(event) => setNote(event.target.value)} />
                </div>
                <Button type="submit" look="main" disabled={send.busy}>
                    Keep
                </Button>
            </form>
            {send.problem !== null && <Notice tone="bad">{send.problem}</Notice>}
        </Part>
    );
}

function Edit({ page, put }: { page: Schemas['ShelfItemPage']; put: (next: Schemas['ShelfItemPage']) => void }) {
    const part = usePart(page.fields);
    const [tested, setTested] = useState(page.item.tested);
    const send = useSend(
        () =>
            data(
                api.PUT('/shelf/{item}', {
                    params: { path: { item: page.item.id } },
                    body: { ...(partBody(part.now, part.before) as unknown as Schemas['ShelfBody']), tested },
                }),
            ),
        put,
    );
    return (
        <Part title="What it is and where it lies">
            <PartForm part={part} tested={tested} onTested={setTested} send={send} kinds={page.kinds} boards={page.boards} fresh={false} />
        </Part>
    );
}

function Reserve({ page, put }: { page: Schemas['ShelfItemPage']; put: (next: Schemas['ShelfItemPage']) => void }) {
    const [job, setJob] = useState(page.jobs[0]?.value ?? '');
    const [quantity, setQuantity] = useState('1');
    const send = useSend(
        () =>
            data(
                api.POST('/shelf/{item}/reservations', {
                    params: { path: { item: page.item.id } },
                    body: { id: ulid(), job, quantity: number(quantity) },
                }),
            ),
        put,
    );
    return (
        <Part title="Set aside for a job">
            <form
                className="flex flex-wrap items-end gap-3"
                onSubmit={(event) => {
                    event.preventDefault();
                    void send.submit();
                }}
            >
                <div className="min-w-52 flex-1">
                    <Select label="Job" value={job} options={choices(page.jobs)} error={send.at('/job')} onChange={setJob} />
                </div>
                <div className="w-24">
                    <Field
                        label="How many"
                        inputMode="numeric"
                        value={quantity}
                        error={send.at('/quantity')}
                        onChange={(event) => setQuantity(event.target.value)}
                    />
                </div>
                <Button type="submit" disabled={send.busy}>
                    Set aside
                </Button>
            </form>
        </Part>
    );
}
