<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\OneOf;
use Ash\Document\Field\Shaped;
use Ash\Document\Field\Text;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Logbook\EntryData;

/** A part that is treated, what is wrong with it, and the means that was chosen for it. */
final readonly class TreatmentChosen implements EntryData, Settled
{
    public const KIND = 'treatment';

    /**
     * @param list<PartFlag> $flags  what else is to be known of the part
     * @param ?Vessel        $vessel at hand, for which the amounts are worked out
     */
    public function __construct(
        #[Text(120)] public string $part,
        public Damage $damage,
        public Material $material,
        #[Name] public string $means,
        #[ListOf(new OneOf(PartFlag::class))] public array $flags = [],
        #[Shaped(Vessel::class)] public ?Vessel $vessel = null,
    ) {
    }

    public function settled(Node $read): static
    {
        $means = MeansTable::named($this->means);
        if ($means === null || !in_array($this->damage, $means->for, true)) {
            $read->at('means')->refuse("is no means against {$this->damage->words()}");
        }
        [$verdict, $reasons] = $means->suits($this->material, $this->flags);
        foreach ($this->means === MeansTable::WITH_CURRENT ? $means->steps : [] as $step) {
            $bath = $step->hands ? null : Amounts::electrolysis($this, $step->minutes);
            $bath?->verdict !== ElectrolysisVerdict::No || $read->at('vessel')->refuse($bath->reasons[0]);
        }
        $verdict !== MeansVerdict::No || $read->at('means')->refuse('it would do harm here: '.implode(', ', $reasons));

        return $this;
    }

    public function steps(): int
    {
        return count(MeansTable::named($this->means)->steps ?? []);
    }

    public function sentence(string $text): string
    {
        return "{$this->part}: {$this->damage->words()}, ".strtr($this->means, '_', ' ');
    }
}
