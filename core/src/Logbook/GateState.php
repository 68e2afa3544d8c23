<?php

declare(strict_types=1);

namespace Ash\Logbook;

use Ash\Facts\PowerOn;

/** A gate as the job stands now. A recorded leap covers the level it was taken at, and nothing worse. */
final readonly class GateState
{
    /** @param list<string> $why */
    private function __construct(public Gate $gate, public PowerOn $level, public array $why, public ?string $passedBecause)
    {
    }

    /**
     * @param list<string> $why
     * @param ?Leap        $leap the latest recorded decision to go on anyway
     */
    public static function of(Gate $gate, PowerOn $level, array $why, ?Leap $leap): self
    {
        $covers = $leap !== null && ($leap->level === PowerOn::Stop || $level === PowerOn::Hold);

        return new self($gate, $level, $level === PowerOn::Ok ? [] : $why, $level !== PowerOn::Ok && $covers ? $leap->reason : null);
    }

    public function closed(): bool
    {
        return $this->level !== PowerOn::Ok && $this->passedBecause === null;
    }
}
