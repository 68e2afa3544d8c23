import { Tabs } from 'radix-ui';
import { useState } from 'react';
import { Refusal, words, type Fault, type Schemas } from '../../api/client';
import { Brought } from '../../bench/house';
import { Lines, put, text } from '../../bench/profile-form';
import { boardLines, connectorLines, listLines, noteLines, type Doc } from '../../bench/profile-lines';
import { Button, Field } from '../../ui/controls';
import { Page } from '../../ui/page';
import { Faults } from '../../ui/faults';

/**
 * The profile on screen: its usual parts as a form, or the whole document as JSON. Both change one document; what is in
 * it and not in the form stays. Whether it is right is for the server to say.
 */
export function ProfileEdit<T>({
    name,
    page,
    send,
    onClose,
    onSaved,
}: {
    name: string;
    page: Pick<Schemas['MachinePage'], 'profile' | 'revision' | 'caution_choices'>;
    send: (document: { body: never; bodySerializer: (body: unknown) => string; headers: Record<string, string> }) => Promise<T>;
    onClose: () => void;
    onSaved: (page: T) => void;
}) {
    const [text, setText] = useState(page.profile);
    const [tab, setTab] = useState('form');
    const [faults, setFaults] = useState<Fault[]>([]);
    const parsed = parse(text);
    const save = async () => {
        setFaults([]);
        try {
            onSaved(
                await send({
                    body: text as never,
                    bodySerializer: (body: unknown) => body as string,
                    headers: { 'Content-Type': 'application/json', 'If-Match': `"${page.revision}"` },
                }),
            );
        } catch (problem) {
            setFaults(problem instanceof Refusal ? problem.faults : [{ pointer: '', detail: words(problem) }]);
        }
    };
    return (
        <Page
            title={`Profile of ${name}`}
            over={`revision ${page.revision}; every revision is kept`}
            aside={
                <>
                    <Button look="main" onClick={() => void save()}>
                        Save
                    </Button>
                    <Button onClick={onClose}>Leave without saving</Button>
                </>
            }
        >
            {faults.length > 0 && <Faults faults={faults} />}
            <Tabs.Root value={parsed === null ? 'json' : tab} onValueChange={setTab}>
                <Tabs.List aria-label="Ways to edit" className="mb-2 flex gap-1">
                    {[
                        ['form', 'Form'],
                        ['json', 'Whole document (JSON)'],
                    ].map(([value = '', name]) => (
                        <Tabs.Trigger
                            key={value}
                            value={value}
                            className="min-h-11 border-b-4 border-transparent px-3 data-[state=active]:border-accent data-[state=active]:font-bold"
                        >
                            {name}
                        </Tabs.Trigger>
                    ))}
                </Tabs.List>
                <Tabs.Content value="form">
                    {parsed !== null && (
                        <ProfileForm
                            doc={parsed}
                            cautions={page.caution_choices}
                            onChange={(doc) => setText(`${JSON.stringify(doc, null, 2)}\n`)}
                        />
                    )}
                </Tabs.Content>
                <Tabs.Content value="json">
                    <textarea
                        aria-label="Profile as JSON"
                        spellCheck={false}
                        className="figure-number min-h-[60vh] text-sm"
                        value={text}
                        onChange={(event) => setText(event.target.value)}
                    />
                    {parsed === null && <p className="font-bold text-out">This is not a JSON document yet.</p>}
                </Tabs.Content>
            </Tabs.Root>
        </Page>
    );
}

function parse(text: string): Doc | null {
    try {
        const doc: unknown = JSON.parse(text);
        return typeof doc === 'object' && doc !== null ? (doc as Doc) : null;
    } catch {
        return null;
    }
}

function ProfileForm({ doc, cautions, onChange }: { doc: Doc; cautions: Schemas['ChoiceCard'][]; onChange: (doc: Doc) => void }) {
    const set = (field: string, value: unknown) => onChange(put(doc, field, value));
    return (
        <div className="flex flex-col gap-3">
            <div className="grid gap-3 lg:grid-cols-2">
                <Field label="Name" value={text(doc['name'])} onChange={(event) => onChange({ ...doc, name: event.target.value })} />
                <Field label="Kind" value={text(doc['kind'])} onChange={(event) => onChange({ ...doc, kind: event.target.value })} />
            </div>
            <Lines
                label="Boards"
                hint="one a line: key | name | serial"
                codec={boardLines}
                value={doc['boards']}
                onChange={(boards) => onChange({ ...doc, boards })}
            />
            <Brought part="ProfileForm" doc={doc} onChange={onChange} />
            <Lines
                label="Connectors"
                hint="name | which way round it sits"
                codec={connectorLines}
                value={doc['connectors']}
                onChange={(it) => set('connectors', it)}
            />
            <Lines
                label="Sources that proved wrong"
                hint="source | what is wrong in it"
                codec={noteLines}
                value={doc['source_notes']}
                onChange={(it) => set('source_notes', it)}
            />
            <Lines
                label="Cautions"
                hint={`${cautions.map((it) => it.value).join(', ')}: one a line`}
                codec={listLines}
                value={doc['cautions']}
                onChange={(it) => set('cautions', it)}
            />
        </div>
    );
}
