/** nginx serves this page as a file; the application takes it from there as if it had been opened at the address asked for. */
history.replaceState(null, '', new URLSearchParams(location.search).get('at') ?? '/');
void import('../../../resources/ts/main');
