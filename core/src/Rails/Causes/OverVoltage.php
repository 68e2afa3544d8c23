<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Quantity\Notation;
use Ash\Quantity\Unit;
use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** Beyond the high magnitude limit by more than the guard band. Under load it stands until the rail is changed. */
final readonly class OverVoltage implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $evidence = [];
        $loaded = false;
        foreach ($standing->rails as $name => $rail) {
            $evidence[$name] = [];
            foreach ($standing->overVoltages($rail) as $judged) {
                $loaded = $loaded || $rail->loaded($judged->reading->load);
                $evidence[$name][] = "{$judged->reading->place()}: ".Notation::print((float) $judged->reading->volts, Unit::Volt)
                    ." against {$rail->limits->words()}";
            }
        }
        $text = $loaded
            ? 'Too high under load: the regulator or its feedback. Do not connect the board.'
            : 'Too high without load: up to 115 % of nominal this is ordinary cross-regulation. Measure again with some load.';

        return Cause::from(CauseCode::OverVoltage, $evidence, $text);
    }
}
