<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\OneOf;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\Shape;
use Ash\Facts\Substance;
use Ash\Logbook\EntryData;

/** A step of a treatment that was begun: it runs until it is said to be done. */
final readonly class StepBegun implements EntryData
{
    public const KIND = 'treatment_step';
    private const MOST = 60;

    /**
     * @param string          $treatment  the entry that chose it
     * @param int             $step       from 1
     * @param ?string         $vessel     bath, box or place that it takes up
     * @param bool            $closed     the vessel is shut
     * @param ?float          $minutes    by the clock; null: as the means says
     * @param list<Substance> $substances in the vessel, and the metal of the part
     */
    public function __construct(
        #[Id] public string $treatment,
        #[Whole(1, self::MOST)] public int $step,
        #[Name] public ?string $vessel = null,
        public bool $closed = false,
        #[Positive] public ?float $minutes = null,
        #[Kept] #[Text(120)] public ?string $part = null,
        #[Kept] #[Text(400)] public ?string $do = null,
        #[Kept] public ?\DateTimeImmutable $dueAt = null,
        #[Kept] public ?bool $hands = null,
        #[Kept] #[ListOf(new OneOf(Substance::class))] public array $substances = [],
    ) {
    }

    /** With what the means says of the step. */
    public function of(TreatmentChosen $chosen, TreatmentStep $step, \DateTimeImmutable $at): self
    {
        $minutes = $this->minutes ?? $step->minutes;

        return Shape::of(self::class)->with($this, [
            'part' => $chosen->part, 'do' => $step->do, 'hands' => $step->hands, 'dueAt' => $at->modify(sprintf('+%d seconds', (int) round($minutes * 60))),
            'substances' => [...$step->with, ...$chosen->material->meets()],
        ]);
    }

    public function sentence(string $text): string
    {
        return "{$this->part}, step {$this->step}: {$this->do}".($this->vessel === null ? '' : " In {$this->vessel}.")
            .($this->dueAt === null ? '' : " Until {$this->dueAt->format('j M H:i')} UTC.");
    }
}
