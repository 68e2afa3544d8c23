import { useMutation, useQuery } from '@tanstack/react-query';
import { api, data, words, type Schemas } from '../../api/client';

/** Which serial port the tester is on; of the stand-in also what it plays. */
export function TesterChoice({
    ports,
    chosen,
    onChoose,
}: {
    ports: Schemas['SerialPortCard'][];
    chosen: string;
    onChoose: (port: string) => void;
}) {
    const standin = ports.find((port) => port.id === chosen)?.standin === true;
    return (
        <>
            <select aria-label="Tester" className="w-auto" value={chosen} onChange={(event) => onChoose(event.target.value)}>
                {ports.map((port) => (
                    <option key={port.id} value={port.id}>
                        {port.name}
                    </option>
                ))}
            </select>
            {standin && <SceneChoice port={chosen} />}
        </>
    );
}

function SceneChoice({ port }: { port: string }) {
    const scene = useQuery({
        queryKey: ['tester-scene', port],
        queryFn: () => data(api.GET('/serial-ports/{port}/scene', { params: { path: { port } } })),
        retry: false,
    });
    const change = useMutation({
        mutationFn: (next: string) => data(api.PUT('/serial-ports/{port}/scene', { params: { path: { port } }, body: { scene: next } })),
        onSuccess: () => void scene.refetch(),
    });
    if (scene.data === undefined) return scene.error === null ? null : <span className="text-sm text-out">{words(scene.error)}</span>;
    return (
        <select
            aria-label="Simulated tester"
            className="w-auto"
            value={scene.data.scene}
            onChange={(event) => change.mutate(event.target.value)}
        >
            {scene.data.scenes.map((it) => (
                <option key={it} value={it}>
                    {it}
                </option>
            ))}
        </select>
    );
}
