import { useState } from 'react';
import { Choice } from '../ui/choice';
import { setTones, tonesOn } from './tones';

/** Tones let the eyes stay on the probe, or let someone work on something else meanwhile. */
export function TonesSwitch() {
    const [on, setOn] = useState(tonesOn);
    return (
        <Choice
            label="Tones"
            value={on ? 'on' : 'off'}
            options={[
                { value: 'off', words: 'Silent' },
                { value: 'on', words: 'Tones' },
            ]}
            onChange={(next) => {
                setTones(next === 'on');
                setOn(next === 'on');
            }}
        />
    );
}
