<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** What the words written beside an entry are to it. */
enum Spoken: string
{
    /** They are the entry, or a part of its sentence, and must be there. */
    case Needed = 'needed';

    /** The data say everything; words may stand beside them and are added to the sentence. */
    case Beside = 'beside';

    /** The data say everything, and words only repeat what was typed. */
    case Repeats = 'repeats';
}
