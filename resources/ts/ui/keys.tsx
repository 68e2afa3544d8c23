import { Dialog } from 'radix-ui';
import { useEffect, useEffectEvent, useState } from 'react';
import { Button } from './controls';

export type Keys = [keys: string, does: string][];

/** A field marked with data-commands hears keys as commands while it is empty. */
const typing = (target: EventTarget | null): boolean =>
    target instanceof HTMLElement &&
    !(target instanceof HTMLInputElement && target.dataset['commands'] !== undefined && target.value === '') &&
    (target.matches('input:not([type=radio], [type=checkbox]), textarea, select') || target.isContentEditable);

/** Keys of a screen, heard wherever the focus is, except while something is being typed or a dialog is open. */
export function useKeys(handlers: Record<string, () => void>): void {
    const heard = useEffectEvent((event: KeyboardEvent) => {
        if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
        if (typing(event.target) || document.querySelector('[role=dialog]') !== null) return;
        const handler = handlers[event.key];
        if (handler === undefined) return;
        event.preventDefault();
        handler();
    });
    useEffect(() => {
        const listener = (event: KeyboardEvent) => heard(event);
        window.addEventListener('keydown', listener);
        return () => window.removeEventListener('keydown', listener);
    }, []);
}

/** Ctrl+Enter sends the form at hand, from whichever of its fields; heard once, by the shell. */
export function useSubmitKey(): void {
    useEffect(() => {
        const listener = (event: KeyboardEvent) => {
            const form = event.target instanceof HTMLElement ? event.target.closest('form') : null;
            if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey) || form === null) return;
            event.preventDefault();
            form.requestSubmit();
        };
        window.addEventListener('keydown', listener);
        return () => window.removeEventListener('keydown', listener);
    }, []);
}

const EVERYWHERE: Keys = [
    ['?', 'these keys'],
    ['Tab', 'next control'],
    ['Ctrl+Enter', 'send the form, from any of its fields'],
    ['Esc', 'close, or leave the field'],
];

/** `?` shows the keys of the screen at hand. */
export function KeyHelp({ keys }: { keys: Keys }) {
    const [open, setOpen] = useState(false);
    useKeys({ '?': () => setOpen(true) });
    return (
        <Dialog.Root open={open} onOpenChange={setOpen}>
            <Dialog.Trigger asChild>
                <Button look="quiet" aria-label="Keys of this screen">
                    Keys <kbd>?</kbd>
                </Button>
            </Dialog.Trigger>
            <Sheet title="Keys of this screen">
                <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-2">
                    {[...keys, ...EVERYWHERE].map(([key, does]) => (
                        <div key={key} className="contents">
                            <dt className="text-right">
                                <kbd>{key}</kbd>
                            </dt>
                            <dd>{does}</dd>
                        </div>
                    ))}
                </dl>
            </Sheet>
        </Dialog.Root>
    );
}

/** The body of a dialog: a sheet over the bench. */
export function Sheet({ title, about, children }: { title: string; about?: string; children: React.ReactNode }) {
    return (
        <Dialog.Portal>
            <Dialog.Overlay className="fixed inset-0 bg-black/50" />
            <Dialog.Content
                {...(about === undefined ? { 'aria-describedby': undefined } : {})}
                className="sheet fixed top-[6vh] left-1/2 max-h-[88vh] w-[min(44rem,94vw)] -translate-x-1/2 overflow-auto p-5 shadow-xl"
            >
                <div className="mb-3 flex items-start justify-between gap-4">
                    <Dialog.Title className="text-xl font-bold">{title}</Dialog.Title>
                    <Dialog.Close asChild>
                        <Button look="quiet">Close</Button>
                    </Dialog.Close>
                </div>
                {about !== undefined && <Dialog.Description className="mb-3 text-soft">{about}</Dialog.Description>}
                {children}
            </Dialog.Content>
        </Dialog.Portal>
    );
}
