<?php

declare(strict_types=1);

namespace Ash\Rails\Causes;

use Ash\Rails\Cause;
use Ash\Rails\CauseCode;
use Ash\Rails\CauseRule;
use Ash\Rails\RailsStanding;

/** Exactly one weak rail that nothing else explains: not all scaled, no ripple out on it, no sag, no drop and no open path of it. */
final readonly class WeakOutput implements CauseRule
{
    public function cause(RailsStanding $standing): ?Cause
    {
        $weak = $standing->weakRails();
        $rail = reset($weak);
        if (count($weak) !== 1 || $rail === false || $standing->rough($rail) || SagsUnderLoad::seen($standing, $rail) !== []
            || OpenPath::seen($standing, $rail) !== [] || DropInPath::holds($standing, $rail) || AllScaled::holds($standing)) {
            return null;
        }

        return Cause::from(
            CauseCode::WeakOutput,
            [key($weak) => SeveralWeak::low($standing, $rail)],
            'One rail is weak and smooth: its regulator, reference, sense line or joints, or a load that draws too much. Repeat without the board.',
        );
    }
}
