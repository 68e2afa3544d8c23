<?php

declare(strict_types=1);

namespace Ash\Memory;

use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\Name;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Number;
use Ash\Document\Field\Positive;
use Ash\Document\Field\Text;
use Ash\Document\Field\Whole;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;
use Ash\Logbook\UnderCondition;

/** A soak: so many passes, typed or counted by a source, and what they say of the failure rate. */
final readonly class SoakKept implements EntryData, Settled, UnderCondition
{
    public const KIND = 'soak';

    /**
     * @param ?float       $confidence     one-sided; 0.95 when nothing is said
     * @param ?float       $targetRate     failed passes a pass
     * @param ?float       $secondsPerPass s
     * @param list<string> $reasons
     * @param ?string      $cut            why it is not whole
     */
    public function __construct(
        #[Id]
        public ?string $source = null,
        #[Whole(1)]
        public ?int $passes = null,
        #[Whole(0)]
        public ?int $errors = null,
        #[Share]
        public ?float $confidence = null,
        #[Share]
        public ?float $targetRate = null,
        #[Positive]
        public ?float $secondsPerPass = null,
        public Condition $condition = new Condition(),
        #[Kept]
        #[Name]
        public ?string $map = null,
        #[Kept]
        #[Name]
        public ?string $name = null,
        #[Kept]
        public ?Pattern $pattern = null,
        #[Kept]
        #[Text]
        public ?string $cut = null,
        #[Kept]
        #[NotNegative]
        public ?float $upperRate = null,
        #[Kept]
        #[NotNegative]
        public ?float $lowerRate = null,
        #[Kept]
        #[Number]
        public ?float $passesLeft = null,
        #[Kept]
        #[ListOf(new Text())]
        public array $reasons = [],
    ) {
    }

    /** The errors of a counted soak are the source's own, whatever is written beside it. */
    public function settled(Node $read): static
    {
        $read->exclusive('source', 'passes');
        if ($this->source !== null) {
            return Shape::of(self::class)->with($this, ['errors' => null]);
        }
        $read->at('passes');
        $read->at('errors');
        $this->errors <= $this->passes || $read->at('errors')->refuse("must be at most the number of passes, {$this->passes}");

        return $this;
    }

    /** With the passes that a source has counted. */
    public function counted(FittedMemory $memory, Pattern $pattern, int $passes, int $errors, ?string $cut): self
    {
        return Shape::of(self::class)->with($this, [
            'passes' => $passes, 'errors' => $errors, 'map' => $memory->key, 'name' => $memory->name, 'pattern' => $pattern, 'cut' => $cut,
        ]);
    }

    public function bounded(): self
    {
        $soak = Soak::of((int) $this->passes, (int) $this->errors, $this->confidence ?? 0.95, $this->targetRate, $this->secondsPerPass);

        return Shape::of(self::class)->with($this, [
            'upperRate' => $soak->upperRate, 'lowerRate' => $soak->lowerRate, 'passesLeft' => $soak->passesLeft, 'reasons' => $soak->reasons,
        ]);
    }

    public function condition(): string
    {
        return $this->condition->words();
    }

    public function sentence(string $text): string
    {
        return "Soak, {$this->condition()}: ".implode('; ', $this->reasons).($this->cut === null ? '' : ". Not whole: {$this->cut}");
    }
}
