import { useEffect, useState } from 'react';

/** The light level that is on; a plot is drawn anew when it changes, because a canvas takes no colours from the style sheet. */
export function useLight(): string | undefined {
    const [light, setLight] = useState(document.documentElement.dataset['light']);
    useEffect(() => {
        const watch = new MutationObserver(() => setLight(document.documentElement.dataset['light']));
        watch.observe(document.documentElement, { attributeFilter: ['data-light'] });
        return () => watch.disconnect();
    }, []);
    return light;
}

export const colour = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
