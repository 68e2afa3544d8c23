import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { useBoardAtHand } from '../../api/at-hand';
import { api, data, type Schemas } from '../../api/client';
import { record } from '../../api/outbox';
import { Button, Cautions, Field, Notice, Part } from '../../ui/controls';
import { KeyHelp } from '../../ui/keys';
import { number } from '../../ui/number';
import { Loaded, Page } from '../../ui/page';
import { useMayRecord } from '../../ui/session';
import { Photos } from '../../bench/photos';
import { MeterChoice, TYPED, useMeters } from '../../bench/meter-choice';
import { ContinuityRun } from './continuity';
import { useLive } from '../../bench/live';
import { Say } from '../../bench/say';

export function Corrosion() {
    const { id = '' } = useParams();
    const [onBoard, setOnBoard] = useState<string[]>([]);
    const [also, setAlso] = useState<string[]>([]);
    const board = useBoardAtHand(id);
    const corrosion = useQuery({
        queryKey: ['corrosion', id, board, onBoard, also],
        placeholderData: keepPreviousData,
        queryFn: () =>
            data(
                api.GET('/jobs/{job}/corrosion', {
                    params: {
                        path: { job: id },
                        query: { on_board: onBoard.join(','), also: also.join(','), ...(board === undefined ? {} : { board }) },
                    },
                }),
            ),
    });
    return (
        <Loaded query={corrosion}>
            {(page) => <CorrosionSheet page={page} onBoard={onBoard} setOnBoard={setOnBoard} also={also} setAlso={setAlso} />}
        </Loaded>
    );
}

function CorrosionSheet({
    page,
    ...choices
}: {
    page: Schemas['CorrosionPage'];
    onBoard: string[];
    setOnBoard: (onBoard: string[]) => void;
    also: string[];
    setAlso: (also: string[]) => void;
}) {
    useLive(page.job.id);
    const may = useMayRecord() && page.job.state === 'open';
    const meters = useMeters('leaks', true);
    return (
        <Page
            title="Leaks and continuity"
            over={
                <>
                    <Link to={`/jobs/${page.job.id}`}>
                        {page.job.label}, {page.job.title}
                    </Link>
                    . {page.board}
                    {page.chemistry !== null && `. It leaked from ${page.chemistry} cells`}
                </>
            }
            aside={
                <>
                    <KeyHelp
                        keys={[
                            ['Space', 'read the meter in ohms at the live place'],
                            ['digits, Enter', 'type ohms and record them'],
                            ['x', 'the meter shows open'],
                            ['z', 'zero the leads again'],
                            ['↑ ↓, Backspace', 'choose the live place, step back'],
                        ]}
                    />
                    <MeterChoice meters={meters} />
                </>
            }
        >
            {may && (
                <Say
                    job={page.job.id}
                    title="A place in one line"
                    label="Where, what sits there, grade 0 to 4, how far, what it carries"
                    example="slot 3 bracket 4"
                    word="leak "
                />
            )}
            {may && <SurveyForm page={page} />}
            {page.carrying.length > 0 && <ContinuityRun page={page} meter={meters.chosen ?? TYPED} may={may} />}
            {page.repairs.length > 0 && (
                <Part title="To repair">
                    <ul>
                        {page.repairs.map((item) => (
                            <li key={item.id}>{item.text}</li>
                        ))}
                    </ul>
                </Part>
            )}
            <Plan page={page} {...choices} />
            <Photos job={page.job.id} may={may} />
            <Cautions words={page.cautions} />
        </Page>
    );
}

const spoken = (word: string): string => word.replaceAll('_', ' ');

type Survey = Schemas['DataSurvey'];

function SurveyForm({ page }: { page: Schemas['CorrosionPage'] }) {
    const empty = {
        place: '',
        holds: 'trace',
        grade: '2',
        distance_mm: '',
        carries: 'signal',
        amps: '',
        pin: '',
        length_mm: '',
        width_mm: '',
        copper_oz: '1',
    };
    const photos = useQuery({
        queryKey: ['photos', page.job.id],
        queryFn: () => data(api.GET('/jobs/{job}/photos', { params: { path: { job: page.job.id } } })),
    });
    const pins = (photos.data ?? []).flatMap((photo) =>
        photo.pins.map((pin): [string, string] => [`pin ${pin.number} of “${photo.of ?? photo.caption}”`, `${pin.number}: ${pin.text}`]),
    );
    const [values, setValues] = useState(empty);
    const [faults, setFaults] = useState<Schemas['Fault'][]>([]);
    const at = (name: string) =>
        faults.find((fault) => fault.pointer === `/data/${name}` || fault.pointer === `/data/trace/${name}`)?.detail;
    const set = (name: keyof typeof empty) => (event: { target: { value: string } }) =>
        setValues({ ...values, [name]: event.target.value });
    const add = async () => {
        const trace =
            values.length_mm.trim() === '' && values.width_mm.trim() === ''
                ? {}
                : {
                      trace: {
                          length_mm: number(values.length_mm),
                          width_mm: number(values.width_mm),
                          copper_oz: number(values.copper_oz),
                      },
                  };
        const sent = await record(
            page.job.id,
            {
                kind: 'survey',
                stage: 'battery',
                data: {
                    place: values.place,
                    holds: values.holds as Survey['holds'],
                    grade: number(values.grade),
                    carries: values.carries as Survey['carries'],
                    ...(values.distance_mm.trim() === '' ? {} : { distance_mm: number(values.distance_mm) }),
                    ...(values.pin === '' ? {} : { pin: values.pin }),
                    ...(values.amps.trim() === '' ? {} : { amps: number(values.amps) }),
                    ...trace,
                },
            },
            `survey: ${values.place}`,
        );
        setFaults(sent.state === 'refused' ? sent.refusal.faults : []);
        if (sent.state !== 'refused') setValues({ ...empty, holds: values.holds, carries: values.carries });
    };
    const pick = (name: 'holds' | 'carries' | 'grade' | 'pin', label: string, options: [value: string, says: string][]) => (
        <Field label={label} error={at(name)}>
            {(ids) => (
                <select {...ids} value={values[name]} onChange={set(name)}>
                    {options.map(([value, says]) => (
                        <option key={value} value={value}>
                            {says}
                        </option>
                    ))}
                </select>
            )}
        </Field>
    );
    return (
        <Part title="Leak survey: one place at a time">
            <form
                className="grid items-end gap-3 sm:grid-cols-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    void add();
                }}
            >
                <div className="sm:col-span-2">
                    <Field
                        label="Place"
                        value={values.place}
                        error={at('place')}
                        placeholder="keyboard clock to U12"
                        onChange={set('place')}
                    />
                </div>
                {pins.length > 0 && pick('pin', 'Pin on a photo', [['', 'none'], ...pins])}
                {pick(
                    'holds',
                    'It is a',
                    page.holds.map((it) => [it, spoken(it)]),
                )}
                {pick(
                    'carries',
                    'It carries',
                    page.carries.map((it) => [it, spoken(it)]),
                )}
                <div className="sm:col-span-2">
                    {pick(
                        'grade',
                        'Grade',
                        page.grades.map((it, i) => [String(i), `${i}: ${it}`]),
                    )}
                </div>
                <Field label="Distance, mm" value={values.distance_mm} error={at('distance_mm')} onChange={set('distance_mm')} />
                <Field label="Amperes, if known" value={values.amps} error={at('amps')} onChange={set('amps')} />
                <Field label="Trace length, mm" value={values.length_mm} error={at('length_mm')} onChange={set('length_mm')} />
                <Field label="Trace width, mm" value={values.width_mm} error={at('width_mm')} onChange={set('width_mm')} />
                <Field label="Copper, oz" value={values.copper_oz} error={at('copper_oz')} onChange={set('copper_oz')} />
                <Button type="submit" look="main">
                    Add the place
                </Button>
            </form>
        </Part>
    );
}

function Plan({ page, onBoard, setOnBoard, also, setAlso }: Parameters<typeof CorrosionSheet>[0]) {
    const may = useMayRecord();
    return (
        <Part title="Work list">
            <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
                <span className="text-sm font-bold">On this board:</span>
                {page.forbids.map((it) => (
                    <label key={it} className="flex min-h-11 items-center gap-2">
                        <input
                            type="checkbox"
                            checked={onBoard.includes(it)}
                            onChange={(event) =>
                                setOnBoard(
                                    event.target.checked
                                        ? [...onBoard.filter((other) => other !== 'none'), it]
                                        : onBoard.filter((other) => other !== it),
                                )
                            }
                        />
                        {spoken(it)}
                    </label>
                ))}
                <label className="flex min-h-11 items-center gap-2">
                    <input
                        type="checkbox"
                        checked={onBoard.includes('none')}
                        onChange={(event) => setOnBoard(event.target.checked ? ['none'] : [])}
                    />
                    none of these, I have looked
                </label>
            </div>
            {may && <Also page={page} also={also} setAlso={setAlso} />}
            {page.refused !== null && <Notice tone="bad">{page.refused}</Notice>}
            {page.told.map((says) => (
                <Notice key={says} tone="care">
                    {says}
                </Notice>
            ))}
            {page.school !== '' && (
                <p className="mb-2">
                    {page.school} Drying: {page.drying}.
                </p>
            )}
            <ol className="divide-y divide-line">
                {page.plan.map((step, i) => (
                    <li key={i} className="grid grid-cols-[2rem_7rem_1fr] gap-x-3 py-1">
                        <span className="text-soft">{i + 1}</span>
                        <span className="font-bold">{step.step}</span>
                        <span>
                            {step.text}
                            {step.caution !== null && <span className="block text-sm font-bold text-close">{step.caution}</span>}
                        </span>
                    </li>
                ))}
            </ol>
        </Part>
    );
}

/** What else is to be used: chosen from the list; what is in no list is said to be not judged. */
function Also({ page, also, setAlso }: { page: Schemas['CorrosionPage']; also: string[]; setAlso: (also: string[]) => void }) {
    const [other, setOther] = useState('');
    const named = (it: string) => page.substances.find((known) => known.value === it)?.words ?? it;
    const add = (it: string) => it !== '' && !also.includes(it) && setAlso([...also, it]);
    return (
        <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2">
            <Field label="Also to be used">
                {(ids) => (
                    <select {...ids} value="" onChange={(event) => add(event.target.value)}>
                        <option value="">choose a substance</option>
                        {page.substances.map((it) => (
                            <option key={it.value} value={it.value}>
                                {it.words}
                            </option>
                        ))}
                    </select>
                )}
            </Field>
            <form
                className="flex items-end gap-2"
                onSubmit={(event) => {
                    event.preventDefault();
                    add(other.replaceAll(',', ' ').trim());
                    setOther('');
                }}
            >
                <Field label="or what is not in the list" value={other} onChange={(event) => setOther(event.target.value)} />
                <Button type="submit">Add it</Button>
            </form>
            {also.map((it) => (
                <Button key={it} aria-label={`Do without ${named(it)}`} onClick={() => setAlso(also.filter((kept) => kept !== it))}>
                    {named(it)} ×
                </Button>
            ))}
        </div>
    );
}
