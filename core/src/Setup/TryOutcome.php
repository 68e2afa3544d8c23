<?php

declare(strict_types=1);

namespace Ash\Setup;

/** How an attempt at a drive went. */
enum TryOutcome: string
{
    case Works = 'works';
    case Partly = 'partly';
    case Noisy = 'noisy';
    case Nothing = 'nothing';

    public function words(): string
    {
        return match ($this) {
            self::Works => 'works',
            self::Partly => 'works in part',
            self::Noisy => 'works and sounds bad',
            self::Nothing => 'nothing',
        };
    }

    /** As it is typed: "works", "in part", "sounds bad", "nothing". */
    public static function said(string $word): ?self
    {
        return match (true) {
            preg_match('/\b(sounds?\s+bad|noisy|grinds?|screams?)\b/iu', $word) === 1 => self::Noisy,
            preg_match('/\b(in\s+part|partly)\b/iu', $word) === 1 => self::Partly,
            preg_match('/\b(works?|worked)\b/iu', $word) === 1 => self::Works,
            preg_match('/\b(nothing|dead|not\s+seen|fails?|failed)\b/iu', $word) === 1 => self::Nothing,
            default => null,
        };
    }
}
