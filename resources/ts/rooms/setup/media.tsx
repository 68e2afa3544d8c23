import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { useSums } from '../../bench/sums';
import { Field, Notice, Part } from '../../ui/controls';
import { number } from '../../ui/number';
import { Select } from '../../ui/select';

const DENSITIES = [
    ['sd', 'single density'],
    ['dd', 'double density'],
    ['hd', 'high density'],
] as const;
const TRACKS = ['35', '40', '77', '80'].map((it): [string, string] => [it, `${it} tracks`]);
const SIDES = [
    ['1', 'one side'],
    ['2', 'two sides'],
] as const;
const TONES: Record<string, 'good' | 'care' | 'bad'> = { yes: 'good', with_care: 'care', no: 'bad' };

/** Whether a medium, a format and a drive go together; computed by the server from what is chosen. */
export function GoTogether({ formats }: { formats: Schemas['DiskFormatCard'][] }) {
    const [format, setFormat] = useState('2');
    const [medium, setMedium] = useState<string>('dd');
    const [tracks, setTracks] = useState('40');
    const [sides, setSides] = useState<string>('2');
    const [drive, setDrive] = useState<string>('dd');
    const [last, setLast] = useState('');
    const chosen = formats[number(format)];
    const size = chosen?.size ?? '';
    const sums = useSums(
        'setup',
        'disk',
        {
            medium: { size, density: medium },
            format:
                chosen === undefined
                    ? {}
                    : {
                          tracks: chosen.tracks,
                          sides: chosen.sides,
                          sectors: chosen.sectors,
                          bytes: chosen.bytes,
                          encoding: chosen.encoding,
                      },
            drive: { size, tracks: number(tracks), sides: number(sides), density: drive },
            ...(last === '' ? {} : { last_written_tracks: number(last) }),
        },
        chosen !== undefined,
    );
    const found = sums.found as { reads: string; writes: string; reasons: string[] } | undefined;
    return (
        <Part title="Do disk, format and drive go together?">
            <div className="flex flex-wrap items-end gap-3">
                <Select
                    label="Format"
                    value={format}
                    options={formats.map((it, i): [string, string] => [String(i), it.words])}
                    onChange={setFormat}
                />
                <Select label="Disk" value={medium} options={DENSITIES} onChange={setMedium} />
                <Select label="Last written with" value={last} options={[['', 'not known'], ...TRACKS]} onChange={setLast} />
                <Select label="Drive" value={tracks} options={TRACKS} onChange={setTracks} />
                <Select label="Its heads" value={sides} options={SIDES} onChange={setSides} />
                <Select label="Its density" value={drive} options={DENSITIES} onChange={setDrive} />
            </div>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {found !== undefined && (
                <div className="mt-2 flex flex-col gap-1" role="status">
                    <Notice tone={TONES[found.reads] ?? 'care'}>Reads it: {found.reads.replace('_', ' ')}.</Notice>
                    <Notice tone={TONES[found.writes] ?? 'care'}>Writes it: {found.writes.replace('_', ' ')}.</Notice>
                    <ul>
                        {found.reasons.map((it) => (
                            <li key={it} className="first-letter:uppercase">
                                {it}
                            </li>
                        ))}
                    </ul>
                </div>
            )}
        </Part>
    );
}

interface Line {
    name: string;
    primary: number;
    logical: number;
}

/** "disc 1 1 2": a disk, its primary partitions, its logical ones. */
const read = (line: string): Line => {
    const m = /^(.*?)(?:\s+(\S+)(?:\s+(\S+))?)?$/.exec(line.trim());
    return { name: m?.[1] ?? '', primary: number(m?.[2] ?? ''), logical: number(m?.[3] ?? '0') };
};

/** Which letters come out. */
export function LettersThatComeOut() {
    const [floppies, setFloppies] = useState('1');
    const [lines, setLines] = useState('disk1 1 0');
    const disks = lines
        .split(',')
        .filter((it) => it.trim() !== '')
        .map(read);
    const sums = useSums('setup', 'letters', { floppies: number(floppies), disks });
    const found = sums.found as { letters: { letter: string; what: string }[] } | undefined;
    return (
        <Part title="Letters that come out">
            <div className="flex flex-wrap items-end gap-3">
                <Field
                    label="Floppy drives"
                    inputMode="numeric"
                    size={4}
                    value={floppies}
                    onChange={(event) => setFloppies(event.target.value)}
                />
                <Field
                    label="Fixed disks: name, primary partition (0 or 1), logical ones; a comma between"
                    size={44}
                    value={lines}
                    onChange={(event) => setLines(event.target.value)}
                />
            </div>
            {sums.problem !== null && <Notice tone="bad">{sums.problem}</Notice>}
            {found !== undefined && (
                <ul className="mt-2 flex flex-wrap gap-x-6" aria-label="Letters">
                    {found.letters.map((it) => (
                        <li key={it.letter}>
                            <span className="text-xl font-bold">{it.letter}</span> {it.what}
                        </li>
                    ))}
                </ul>
            )}
        </Part>
    );
}
