import createClient, { type Middleware } from 'openapi-fetch';
import { heard } from './known';
import type { components, paths } from './types.generated';

export type Schemas = components['schemas'];
export type Fault = Schemas['Fault'];

/** The server answered and said no, with a pointer to each thing that is wrong. */
export class Refusal extends Error {
    constructor(
        readonly status: number,
        readonly faults: Fault[],
    ) {
        super(faults.map((fault) => fault.detail).join('; '));
    }

    at(pointer: string): string | undefined {
        return this.faults.find((fault) => fault.pointer === pointer)?.detail;
    }
}

/** No answer: the network or the server is away. What was to be sent is kept. */
export class Unreachable extends Error {
    constructor() {
        super('the server cannot be reached');
    }
}

const AWAY = new Set([502, 503, 504]);

function xsrf(): string {
    const cookie = document.cookie.split('; ').find((it) => it.startsWith('XSRF-TOKEN='));
    return cookie === undefined ? '' : decodeURIComponent(cookie.slice('XSRF-TOKEN='.length));
}

/** The network is asked here and nowhere else: a page that grew too old for its token is given a new one and asks once more. */
async function ask(request: Request): Promise<Response> {
    const again = request.clone();
    try {
        const response = await fetch(request);
        heard(response);
        if (response.status !== 419) return response;
        await fetch('/sanctum/csrf-cookie');
        again.headers.set('X-XSRF-TOKEN', xsrf());
        return await fetch(again);
    } catch {
        throw new Unreachable();
    }
}

const headers: Middleware = {
    onRequest({ request }) {
        request.headers.set('Accept', 'application/json');
        request.headers.set('X-XSRF-TOKEN', xsrf());
        return request;
    },
};

export const api = createClient<paths>({ baseUrl: `${window.location.origin}/api`, fetch: ask });
api.use(headers);

interface Answer<T> {
    data?: T;
    error?: unknown;
    response: Response;
}

/** The data of an answer, or a refusal. */
export async function data<T>(answer: Promise<Answer<T>>): Promise<T> {
    const { data: body, error, response } = await answer;
    if (AWAY.has(response.status)) throw new Unreachable();
    if (response.ok) return body as T;
    const faults = (error as { errors?: Fault[] } | undefined)?.errors;
    throw new Refusal(response.status, faults ?? [{ pointer: '', detail: `the server answered ${response.status}` }]);
}

/** Words for a problem of any kind. */
export function words(problem: unknown): string {
    if (problem instanceof Refusal) return problem.message;
    return problem instanceof Unreachable ? problem.message : 'something failed in the page; load it again';
}
