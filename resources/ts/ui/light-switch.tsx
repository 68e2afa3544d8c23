import { useState } from 'react';
import { Choice } from './choice';
import { chooseLight, light } from './light';

export function LightSwitch() {
    const [chosen, setChosen] = useState(light);
    return (
        <div className="text-ink">
            <Choice
                label="Light"
                value={chosen}
                options={[
                    { value: 'day', words: 'Day bench' },
                    { value: 'lamp', words: 'Lamp' },
                ]}
                onChange={(next) => {
                    chooseLight(next);
                    setChosen(next);
                }}
            />
        </div>
    );
}
