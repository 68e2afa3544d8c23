<?php

declare(strict_types=1);

namespace Ash\Logbook;

/** How early in the list of what to do next a step stands. Within one, the order is that of the rooms. */
enum Urgency: int
{
    /** The job is over. */
    case Ended = 0;

    /** Without it nothing that follows means anything. */
    case First = 1;

    /** Before anything else is done on the board. */
    case Safety = 2;

    /** What was waited for has come. */
    case Ready = 3;

    /** What evidence asks for. */
    case Work = 4;

    /** Nobody has looked yet. */
    case Unseen = 5;

    /** Must be done before the board leaves. */
    case BeforeLeaving = 6;

    /** What the stage of the job asks for by itself. */
    case Usual = 7;
}
