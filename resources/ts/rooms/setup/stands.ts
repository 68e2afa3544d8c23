import type { Schemas } from '../../api/client';

/** A setting as it stands: what is written down of it, whichever of its ways it is on. */
export const stands = (it: Pick<Schemas['SettingCard'], 'device' | 'block' | 'takes' | 'options' | 'length'>, at: number) => ({
    kind: 'setting' as const,
    data: {
        device: it.device,
        block: it.block,
        takes: it.takes as Schemas['DataSetting']['takes'],
        options: it.options.map(({ value, pins }) => (pins === null ? { value } : { value, pins })),
        at,
        ...(it.length === null ? {} : { length: it.length }),
    },
});
