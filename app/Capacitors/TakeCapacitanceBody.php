<?php

declare(strict_types=1);

namespace App\Capacitors;

use App\Http\ApiBody;
use Ash\Capacitors\Look;
use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Text;
use Ash\Quantity\Typed;
use Ash\Quantity\Unit;

/** The meter is asked about a capacitor. */
#[ApiBody]
final readonly class TakeCapacitanceBody
{
    /** @param list<Look> $visual */
    public function __construct(
        #[Id]
        public string $id,
        public \DateTimeImmutable $at,
        #[Text(40)]
        public string $meter,
        public Take $what,
        #[Text(160)]
        public ?string $cap = null,
        public ?bool $inCircuit = null,
        #[ListOf(Look::class)]
        public array $visual = [],
        #[Typed(Unit::Ohm)]
        public ?float $esrOhm = null,
        #[Typed(Unit::Ohm)]
        public ?float $leadOhm = null,
        public ?bool $sure = null,
        #[Id]
        public ?string $board = null,
    ) {
    }

    /** @return array<string, mixed> what goes with the reading as it was given; ESR typed beside a reading of the meter belongs to the part alone */
    public function given(): array
    {
        $part = $this->what === Take::Part;

        return array_filter([
            'in_circuit' => $this->inCircuit,
            'visual' => array_map(static fn (Look $it): string => $it->value, $this->visual),
            'sure' => $this->sure,
            'esr_ohm' => $part ? $this->esrOhm : null,
            'lead_ohm' => $part ? $this->leadOhm : null,
        ], static fn (mixed $it): bool => $it !== null);
    }
}
