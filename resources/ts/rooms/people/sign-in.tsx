import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api, data } from '../../api/client';
import { Button, Field, Notice } from '../../ui/controls';
import { useSend } from '../../ui/form';

export function SignIn() {
    const client = useQueryClient();
    const [email, setEmail] = useState('');
    const [password, setPassword] = useState('');
    const form = useSend(
        () => data(api.POST('/session', { body: { email, password } })),
        (person) => client.setQueryData(['session'], person),
    );
    const elsewhere = form.problem ?? form.at('');
    return (
        <main className="mx-auto mt-[12vh] w-[min(26rem,92vw)]">
            <form
                className="sheet flex flex-col gap-4 border-t-8 border-t-wood p-6"
                onSubmit={(event) => {
                    event.preventDefault();
                    void form.submit();
                }}
            >
                <h1>Ash Bench</h1>
                <Field
                    label="E-mail"
                    type="email"
                    autoComplete="username"
                    autoFocus
                    required
                    value={email}
                    error={form.at('/email')}
                    onChange={(event) => setEmail(event.target.value)}
                />
                <Field
                    label="Password"
                    type="password"
                    autoComplete="current-password"
                    required
                    value={password}
                    error={form.at('/password')}
                    onChange={(event) => setPassword(event.target.value)}
                />
                {elsewhere !== undefined && (
                    <Notice tone="bad" live>
                        {elsewhere}
                    </Notice>
                )}
                <Button type="submit" look="main" disabled={form.busy}>
                    Sign in
                </Button>
            </form>
        </main>
    );
}
