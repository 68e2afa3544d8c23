<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Facts\Substance;

/** One thing to do, or to wait for. */
final readonly class TreatmentStep
{
    /** A choice of ours. */
    private const SET_GOING = 1.0;

    /**
     * @param float           $minutes by the clock; 0 for a moment's work
     * @param bool            $hands   a person stays all those minutes; false: it runs alone
     * @param list<Substance> $with    what the part meets
     * @param bool            $clean   nothing of it stays on the part: it was rinsed, or has dried off
     */
    private function __construct(
        public string $do,
        public float $minutes,
        public bool $hands,
        public ?string $caution,
        public array $with,
        public bool $clean,
    ) {
    }

    /** Minutes of somebody's hands; what runs alone has only to be set going. */
    public function handsMinutes(): float
    {
        return $this->hands ? $this->minutes : self::SET_GOING;
    }

    public static function work(string $do, float $minutes, ?string $caution = null): self
    {
        return new self($do, $minutes, true, $caution, [], false);
    }

    public static function wait(string $do, float $minutes, ?string $caution = null): self
    {
        return new self($do, $minutes, false, $caution, [], false);
    }

    /** The same with what the part meets in it. */
    public function with(Substance ...$with): self
    {
        return new self($this->do, $this->minutes, $this->hands, $this->caution, array_values($with), $this->clean);
    }

    /** The same, after which nothing of it stays on the part. */
    public function clean(): self
    {
        return new self($this->do, $this->minutes, $this->hands, $this->caution, $this->with, true);
    }
}
