<?php

declare(strict_types=1);

namespace App\Capacitors;

/** What a press asks the meter for. */
enum Take: string
{
    /** Capacitance, and ESR and tan delta when the meter knows them. */
    case Part = 'part';

    /** Current under voltage: another set-up, so a press of its own. */
    case Leakage = 'leakage';

    /** ESR with the probes together; nothing goes into the record. */
    case Leads = 'leads';
}
