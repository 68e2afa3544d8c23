import { useQueryClient } from '@tanstack/react-query';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Link, NavLink, Outlet } from 'react-router';
import { api, data } from './api/client';
import { forgetKnown } from './api/known';
import { openOutbox } from './api/outbox';
import { openPhotoBox } from './api/photo-box';
import { HouseContext, openHouse } from './bench/house';
import { ROOMS } from './rooms';
import { Button } from './ui/controls';
import { useSubmitKey } from './ui/keys';
import { Loaded } from './ui/page';
import { PersonContext, useSession, type Person } from './ui/session';
import { UnsentBar } from './ui/unsent';

const ROOM =
    'flex min-h-11 items-center border-b-4 border-transparent px-3 text-edge-ink no-underline hover:border-wood ' +
    'aria-[current=page]:border-edge-ink aria-[current=page]:font-bold';

const LightSwitch = lazy(async () => ({ default: (await import('./ui/light-switch')).LightSwitch }));
const SignIn = lazy(async () => ({ default: (await import('./rooms/people/sign-in')).SignIn }));

export function Shell() {
    const session = useSession();
    return (
        <Loaded query={session}>
            {(person) =>
                person === null ? (
                    <Suspense fallback={null}>
                        <SignIn />
                    </Suspense>
                ) : (
                    <PersonContext value={person}>
                        <SignedIn person={person} />
                    </PersonContext>
                )
            }
        </Loaded>
    );
}

function SignedIn({ person }: { person: Person }) {
    const client = useQueryClient();
    const [house] = useState(() => openHouse(ROOMS));
    useSubmitKey();
    useEffect(() => {
        openOutbox(person.id, (job) => {
            void client.invalidateQueries({ queryKey: ['job', job] });
            for (const key of ROOMS.flatMap((room) => room.touched)) void client.invalidateQueries({ queryKey: [key] });
        });
        openPhotoBox(person.id, (job, photos) => {
            client.setQueryData(['photos', job], photos);
            void client.invalidateQueries({ queryKey: ['job', job] });
        });
    }, [client, person.id]);
    return (
        <>
            <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:z-10 focus:bg-raised focus:p-3">
                To the work
            </a>
            <Top person={person} />
            <UnsentBar />
            <main id="main" tabIndex={-1} className="focus-visible:outline-none">
                <HouseContext value={house}>
                    <Suspense fallback={<p className="p-5 text-soft">Loading</p>}>
                        <Outlet />
                    </Suspense>
                </HouseContext>
            </main>
        </>
    );
}

function Top({ person }: { person: Person }) {
    const rooms = ROOMS.flatMap((room) => room.navigation ?? []).filter((it) => it.lead !== true || person.role === 'lead');
    return (
        <header className="border-b-4 border-wood bg-edge text-edge-ink">
            <div className="mx-auto flex max-w-[86rem] items-center gap-x-2 px-3 sm:gap-x-6 sm:px-5">
                <Link to="/" className="flex items-center gap-2 font-bold text-edge-ink no-underline">
                    <img src="/mark.svg" alt="" width="26" height="26" />
                    <span className="sr-only whitespace-nowrap sm:not-sr-only">Ash Bench</span>
                </Link>
                <nav aria-label="Rooms" className="flex min-w-0 flex-1 overflow-x-auto [scrollbar-width:none]">
                    {rooms.map(({ to, words }) => (
                        <NavLink key={to} to={to} end={to === '/'} className={ROOM}>
                            {words}
                        </NavLink>
                    ))}
                </nav>
                <div className="hidden items-center gap-2 py-1 sm:flex">
                    <Mine person={person} />
                </div>
                <details className="relative py-1 sm:hidden">
                    <summary
                        className="min-h-11 min-w-11 cursor-pointer list-none content-center px-2 text-center [&::-webkit-details-marker]:hidden"
                        aria-label="Light and sign out"
                    >
                        ⋮
                    </summary>
                    <div className="absolute right-0 z-20 flex flex-col items-end gap-2 rounded border border-edge-ink bg-edge p-3">
                        <Mine person={person} />
                    </div>
                </details>
            </div>
        </header>
    );
}

function Mine({ person }: { person: Person }) {
    return (
        <>
            <Suspense fallback={<span className="min-h-11 w-44" />}>
                <LightSwitch />
            </Suspense>
            <SignOut person={person} />
        </>
    );
}

function SignOut({ person }: { person: Person }) {
    const client = useQueryClient();
    return (
        <>
            <span className="text-sm whitespace-nowrap">
                {person.name}, {person.role}
            </span>
            <Button
                className="border-edge-ink! bg-edge! text-edge-ink!"
                onClick={() =>
                    void data(api.DELETE('/session')).then(() => {
                        void forgetKnown();
                        client.clear();
                        window.location.assign('/');
                    })
                }
            >
                Sign out
            </Button>
        </>
    );
}
