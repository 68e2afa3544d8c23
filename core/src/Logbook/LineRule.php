<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** How a room understands a line that is typed into the record. A rule looks at the whole line: "C12 bulged" has no leading word. */
interface LineRule
{
    /**
     * @param string    $line  without the minutes at its end
     * @param LineFacts $facts what the board at hand is known to have
     *
     * @return ?LineSaid null when the line is not for this rule
     *
     * @throws UnclearLine when it is, and cannot be understood
     */
    public function read(string $line, LineFacts $facts): ?LineSaid;

    /** @return array<string, string> whole lines as examples for the key help, by what they begin with */
    public function examples(): array;

    /** @return list<string> how a line that begins like this may go on */
    public function completions(string $begun, LineFacts $facts): array;
}
