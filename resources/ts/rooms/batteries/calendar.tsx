import { useState } from 'react';
import { api, data } from '../../api/client';
import { Button } from '../../ui/controls';
import { useMayRecord } from '../../ui/session';

/** The due list for a calendar program: a secret address of one's own, shown once. */
export function Calendar() {
    const [said, setSaid] = useState<string | null>(null);
    const may = useMayRecord();
    if (!may) return null;
    const make = () => void data(api.POST('/calendar')).then((card) => setSaid(card.url));
    const revoke = () => void data(api.DELETE('/calendar')).then(() => setSaid('the address is taken back'));
    return (
        <span className="flex flex-wrap items-center gap-2">
            <span role="status" className="max-w-96 truncate text-sm">
                {said}
            </span>
            <Button onClick={make}>Calendar address</Button>
            <Button look="quiet" onClick={revoke}>
                Take it back
            </Button>
        </span>
    );
}
