<?php

declare(strict_types=1);

namespace Ash\Memory;

/** What a line of a memory test is. */
enum LineSort: string
{
    case Error = 'error';
    case Pass = 'pass';
    case End = 'end';
    case Chatter = 'chatter';

    public function words(): string
    {
        return match ($this) {
            self::Error => 'an error',
            self::Pass => 'the end of a pass',
            self::End => 'the end of the test',
            self::Chatter => 'chatter that says nothing',
        };
    }

    /** @return list<LineRole> what may be marked in such a line */
    public function roles(): array
    {
        return match ($this) {
            self::Error => [LineRole::Address, LineRole::Expected, LineRole::Actual, LineRole::Chip, LineRole::Bank, LineRole::Bit],
            self::Pass => [LineRole::Errors],
            default => [],
        };
    }
}
