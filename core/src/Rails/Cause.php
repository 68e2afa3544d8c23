<?php

declare(strict_types=1);

namespace Ash\Rails;

/** A likely cause: a stable code, the rails that pulled its trigger, words, and the numbers that speak for it. */
final readonly class Cause
{
    /**
     * @param non-empty-list<string> $rails
     * @param non-empty-list<string> $evidence
     */
    public function __construct(public CauseCode $code, public array $rails, public string $text, public array $evidence)
    {
    }

    /**
     * @param array<string, list<string>> $evidenceByRail rails without evidence are left out
     */
    public static function from(CauseCode $code, array $evidenceByRail, string $text): ?self
    {
        $rails = $evidence = [];
        foreach ($evidenceByRail as $rail => $lines) {
            if ($lines !== []) {
                $rails[] = ltrim((string) $rail, "\0");
                array_push($evidence, ...$lines);
            }
        }

        return $rails === [] || $evidence === [] ? null : new self($code, $rails, $text, $evidence);
    }
}
