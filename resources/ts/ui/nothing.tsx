import { LinkButton, Notice } from './controls';
import { Page } from './page';

export function Nothing() {
    return (
        <Page title="Nothing here">
            <Notice>There is no screen at this address.</Notice>
            <div>
                <LinkButton to="/">To the bench</LinkButton>
            </div>
        </Page>
    );
}
