import { Component, type ErrorInfo, type ReactNode } from 'react';
import { useRouteError } from 'react-router';
import { Button, LinkButton, Part } from './controls';

const told = (problem: unknown): string =>
    problem instanceof Error ? `${problem.name}: ${problem.message}` : typeof problem === 'string' ? problem : 'no words came with it';

/** What stands where a part of the page failed: that the record is safe, the ways back, and what to report. */
export function Broken({ room, problem }: { room: string; problem: unknown }) {
    const report = [
        `Room: ${room}`,
        `Address: ${window.location.pathname}${window.location.search}`,
        `When: ${new Date().toISOString()}`,
        `Said: ${told(problem)}`,
        `Browser: ${navigator.userAgent}`,
    ].join('\n');
    return (
        <Part title={`This part of the page failed (${room})`}>
            <div role="alert" className="flex flex-col gap-3">
                <p>What is in the record is safe, and what was not sent yet is kept in this browser. Load it again, or go on elsewhere.</p>
                <div className="flex flex-wrap gap-2">
                    <Button look="main" onClick={() => window.location.reload()}>
                        Load again
                    </Button>
                    <LinkButton to="/">Back to the bench</LinkButton>
                </div>
                <label className="block">
                    <span className="text-sm font-bold">To report it, copy this</span>
                    <textarea readOnly rows={5} className="figure-number w-full text-sm" value={report} />
                </label>
            </div>
        </Part>
    );
}

/** For a route of a room: what its screen throws, and a screen that could not be fetched. */
export function BrokenScreen({ room }: { room: string }) {
    return (
        <div className="mx-auto max-w-[86rem] p-5">
            <Broken room={room} problem={useRouteError()} />
        </div>
    );
}

/** Keeps what one room's part throws from taking the page of another with it. */
export class Boundary extends Component<{ room: string; children: ReactNode }, { problem: unknown }> {
    override state: { problem: unknown } = { problem: null };

    static getDerivedStateFromError(problem: unknown) {
        return { problem: problem ?? 'nothing was said' };
    }

    override componentDidCatch(problem: unknown, at: ErrorInfo) {
        console.error(`${this.props.room}: ${told(problem)}`, at.componentStack);
    }

    override render() {
        return this.state.problem === null ? this.props.children : <Broken room={this.props.room} problem={this.state.problem} />;
    }
}
