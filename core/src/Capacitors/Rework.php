<?php

declare(strict_types=1);

namespace Ash\Capacitors;

use Ash\Document\Field\Id;
use Ash\Document\Field\Text;
use Ash\Document\Kept;
use Ash\Document\Shape;
use Ash\Facts\CapacitorKind;
use Ash\Facts\Polarity;
use Ash\Logbook\EntryData;

/** Work at a capacitor: a leg lifted, a trace repaired, a new part fitted. */
final readonly class Rework implements EntryData
{
    public const KIND = 'rework';

    /**
     * @param ?string $continuity the place of a leak survey whose continuity proves the repair
     * @param ?string $trace      that place in words
     */
    public function __construct(
        #[Text(160)]
        public string $cap,
        public ReworkStep $done,
        public ?Polarity $polarity = null,
        #[Id]
        public ?string $continuity = null,
        #[Kept]
        #[Text]
        public ?string $trace = null,
    ) {
    }

    public function along(string $trace): self
    {
        return Shape::of(self::class)->with($this, ['trace' => $trace]);
    }

    /** The stripe of an aluminium electrolytic marks minus, that of a tantalum plus (common practice, no source). Null when the part sits right. */
    public static function backwards(CapacitorKind $kind, Polarity $stripeAt): ?string
    {
        return match (true) {
            $kind === CapacitorKind::Tantalum
                && $stripeAt === Polarity::Minus => 'a tantalum\'s stripe marks plus: this one sits backwards. Turn it round before power: '
                    .'it fails as a short, with fire',
            $kind === CapacitorKind::Aluminium
                && $stripeAt === Polarity::Plus => 'an aluminium electrolytic\'s stripe marks minus: this one sits backwards. Turn it round before power',
            default => null,
        };
    }

    public function sentence(string $text): string
    {
        return "{$this->cap}: {$this->done->words()}".($this->polarity === null
            ? ''
            : ", stripe at {$this->polarity->value}, confirmed against the board's mark")
            .($this->trace === null ? '' : ", continuity of {$this->trace}");
    }
}
