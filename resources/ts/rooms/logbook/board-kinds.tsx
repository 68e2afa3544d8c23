import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, data, type Schemas } from '../../api/client';
import { Button, Field, Notice, Part } from '../../ui/controls';
import { useSend } from '../../ui/form';
import { Select } from '../../ui/select';
import { useIsLead } from '../../ui/session';
import { Lines } from './merge';

/** The boards that a kind of machine has places for, and what kind each of them is of. */
export function PlacesOfKind({ page }: { page: Schemas['KindPage'] }) {
    const lead = useIsLead();
    return (
        <Part title="Its boards">
            <ul className="divide-y divide-line">
                {page.places.map((place) => (
                    <li
                        key={place.place}
                        className="grid items-center justify-items-start gap-x-4 gap-y-1 py-1 sm:grid-cols-[14rem_1fr_auto]"
                    >
                        <span>
                            {place.name} <span className="text-sm text-soft">{place.place}</span>
                        </span>
                        {place.kind_id === null ? (
                            <span className="text-soft">
                                {place.names === null ? 'nothing here names it alone' : `described here: ${place.names}`}
                            </span>
                        ) : (
                            <Link to={`/kinds/${place.kind_id}`}>{place.kind}</Link>
                        )}
                        {lead && place.kind_id === null && page.merged_into === null && <Apart kind={page.kind} place={place} />}
                    </li>
                ))}
            </ul>
        </Part>
    );
}

/** The boards of a place get a kind of their own: looked at before it is done. */
function Apart({ kind, place }: { kind: Schemas['KindCard']; place: Schemas['PlaceOfKind'] }) {
    const client = useQueryClient();
    const [name, setName] = useState<string | null>(null);
    const [seen, setSeen] = useState<Schemas['SplitCard'] | null>(null);
    const form = useSend(
        () =>
            data(
                api.POST('/kinds/{kind}/split', {
                    params: { path: { kind: kind.id } },
                    body: {
                        place: place.place,
                        done: seen !== null,
                        ...(name === null || name.trim() === '' ? {} : { name: name.trim() }),
                    },
                }),
            ),
        (card) => {
            setSeen(card);
            if (card.done) void client.invalidateQueries();
        },
    );
    const why = form.problem ?? form.at('/name') ?? form.at('/place') ?? form.at('');
    return (
        <>
            {seen === null ? (
                <Button
                    look="quiet"
                    disabled={form.busy}
                    onClick={() => void form.submit()}
                    aria-label={`A kind of its own for ${place.name}`}
                >
                    A kind of its own
                </Button>
            ) : (
                <form
                    className="col-span-full flex max-w-xl flex-col gap-2 pb-2"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void form.submit();
                    }}
                >
                    <Field label="Name of the kind" value={name ?? seen.name} autoFocus onChange={(event) => setName(event.target.value)} />
                    <Lines
                        title="Its description says"
                        lines={seen.moves}
                        none="nothing yet: what is learned of it goes there from now on"
                    />
                    <Lines title="These boards are of it" lines={seen.boards} none="no board yet" />
                    <div className="flex gap-2">
                        <Button type="submit" look="main" disabled={form.busy}>
                            Make it a kind
                        </Button>
                        <Button look="quiet" onClick={() => setSeen(null)}>
                            Leave it
                        </Button>
                    </div>
                </form>
            )}
            {why !== undefined && (
                <div className="col-span-full">
                    <Notice tone="bad" live>
                        {why}
                    </Notice>
                </div>
            )}
        </>
    );
}

/** Which kind one board is of. A lead's. */
export function KindOfBoard({ id, kind }: { id: string; kind: string }) {
    const client = useQueryClient();
    const kinds = useQuery({
        queryKey: ['kinds', 'of boards'],
        queryFn: () => data(api.GET('/kinds', { params: { query: { of_board: '1' } } })),
    });
    const boards = kinds.data ?? [];
    const own = boards.some((it) => it.id === kind) ? kind : '';
    const [chosen, setChosen] = useState<string | null>(null);
    const to = chosen ?? own;
    const form = useSend(
        () =>
            to === ''
                ? data(api.DELETE('/boards/{board}/kind', { params: { path: { board: id } } }))
                : data(api.PUT('/boards/{board}/kind', { params: { path: { board: id } }, body: { kind: to } })),
        () => void client.invalidateQueries(),
    );
    if (boards.length === 0) return null;
    const why = form.problem ?? form.at('/kind');
    return (
        <Part title="Kind of board">
            <p className="text-soft">What its own kind says counts first, then what its machine&apos;s says.</p>
            <div className="flex max-w-xl flex-wrap items-end gap-2">
                <Select
                    label="It is of the kind"
                    value={to}
                    options={[['', 'none of its own'], ...boards.map((it) => [it.id, it.name] as const)]}
                    onChange={setChosen}
                />
                {to !== own && (
                    <Button look="main" disabled={form.busy} onClick={() => void form.submit()}>
                        Say so
                    </Button>
                )}
            </div>
            {why !== undefined && (
                <Notice tone="bad" live>
                    {why}
                </Notice>
            )}
        </Part>
    );
}
