import { useState, type DragEvent } from 'react';
import { Button } from '../../ui/controls';

interface Chip {
    ref: string;
    bits?: number[];
    [more: string]: unknown;
}
interface Bank {
    name: string;
    chips: Chip[];
    parity?: Chip;
    [more: string]: unknown;
}
interface Mapped {
    banks: Bank[];
    [more: string]: unknown;
}

/** Every chip of a map in the order in which it is drawn: data bits of each bank, then its parity. */
const places = (map: Mapped): Chip[] => map.banks.flatMap((bank) => [...bank.chips, ...(bank.parity === undefined ? [] : [bank.parity])]);

/** The map with the names in its places changed; nothing else of it. */
const named = (map: Mapped, names: string[]): Mapped => {
    const left = [...names];
    const next = (chip: Chip): Chip => ({ ...chip, ref: left.shift() ?? chip.ref });
    return {
        ...map,
        banks: map.banks.map((bank) => ({
            ...bank,
            chips: bank.chips.map(next),
            ...(bank.parity === undefined ? {} : { parity: next(bank.parity) }),
        })),
    };
};

/**
 * The names as they are printed on the board: a name is dragged onto another, and the two change places; or it is typed over. Where each
 * name stands is which bits the chip holds.
 */
export function Names({ map, onSave }: { map: unknown; onSave: (next: unknown) => void }) {
    const told = map as Mapped;
    const was = places(told).map((chip) => chip.ref);
    const [names, setNames] = useState(was);
    const swap = (from: number, to: number) =>
        setNames(names.map((it, i) => (i === from ? (names[to] ?? it) : i === to ? (names[from] ?? it) : it)));
    const drop = (event: DragEvent, to: number) => {
        event.preventDefault();
        const from = event.dataTransfer.getData('text/plain');
        if (/^\d+$/.test(from)) swap(parseInt(from, 10), to);
    };
    const starts = told.banks.map(
        (_, b) => told.banks.slice(0, b).flatMap((bank) => [...bank.chips, ...(bank.parity === undefined ? [] : [1])]).length,
    );
    return (
        <div className="mt-3">
            <p className="text-sm text-soft">
                Drag a name onto another and the two change places, or type it over. The place is what the chip holds.
            </p>
            {told.banks.map((bank, b) => (
                <fieldset key={bank.name} className="mt-2 flex flex-wrap items-end gap-2">
                    <legend className="text-sm font-bold">bank {bank.name}</legend>
                    {[...bank.chips, ...(bank.parity === undefined ? [] : [bank.parity])].map((chip, i) => {
                        const at = (starts[b] ?? 0) + i;
                        const holds = chip.bits === undefined ? 'parity' : `bit ${chip.bits.join(', ')}`;
                        return (
                            <label
                                key={at}
                                draggable
                                onDragStart={(event) => event.dataTransfer.setData('text/plain', String(at))}
                                onDragOver={(event) => event.preventDefault()}
                                onDrop={(event) => drop(event, at)}
                                className="flex cursor-grab flex-col text-sm"
                            >
                                {holds}
                                <input
                                    aria-label={`Name of bank ${bank.name}, ${holds}`}
                                    size={6}
                                    className="w-24"
                                    value={names[at] ?? ''}
                                    onChange={(event) => setNames(names.map((it, n) => (n === at ? event.target.value : it)))}
                                />
                            </label>
                        );
                    })}
                </fieldset>
            ))}
            <div className="mt-2">
                <Button
                    look="main"
                    disabled={names.every((it, i) => it === was[i])}
                    onClick={() =>
                        onSave(
                            named(
                                told,
                                names.map((it) => it.trim()),
                            ),
                        )
                    }
                >
                    Keep the names
                </Button>
            </div>
        </div>
    );
}
