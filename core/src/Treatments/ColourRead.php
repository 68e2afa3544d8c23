<?php

declare(strict_types=1);

namespace Ash\Treatments;

use Ash\Document\Field\Between;
use Ash\Document\Field\Id;
use Ash\Document\Field\ListOf;
use Ash\Document\Field\NotNegative;
use Ash\Document\Field\Shaped;
use Ash\Document\Field\Text;
use Ash\Document\InvalidDocument;
use Ash\Document\Kept;
use Ash\Document\Node;
use Ash\Document\Settled;
use Ash\Document\Shape;
use Ash\Logbook\EntryData;

/** Colours read off a picture that holds the part, a reference patch and a grey card. */
final readonly class ColourRead implements EntryData, Settled
{
    public const KIND = 'colour';
    private const SPOTS = 8;

    /** CIEDE2000 up to which nobody sees a difference: common practice, no source. */
    private const UNSEEN = 1.0;

    /**
     * @param list<Spot>       $places  on the part: one, or one at each corner
     * @param float            $radius  of the discs, as a share of the picture's width
     * @param ?float           $hours   that it has been brightened so far
     * @param list<SpotColour> $found   of each place
     * @param list<string>     $reasons
     */
    public function __construct(
        #[Id] public string $photo,
        #[Text(120)] public string $part,
        #[ListOf(new Shaped(Spot::class), most: self::SPOTS)] public array $places,
        #[Shaped(Spot::class)] public Spot $reference,
        #[Shaped(Spot::class)] public Spot $grey,
        #[Between(0.002, 0.1)] public float $radius,
        #[NotNegative] public ?float $hours = null,
        #[Kept] #[ListOf(new Shaped(SpotColour::class))] public array $found = [],
        #[Kept] #[ListOf(new Text())] public array $reasons = [],
    ) {
    }

    public function settled(Node $read): static
    {
        $this->places !== [] || $read->at('places')->refuse('must hold at least one place on the part');

        return $this;
    }

    /**
     * @param list<Disc> $places
     *
     * @throws InvalidDocument for what is too bright or too dark to be read
     */
    public function judged(array $places, Disc $reference, Disc $grey): self
    {
        foreach ([...array_map(static fn (int $i): string => "/data/places/{$i}", array_keys($places)), '/data/reference', '/data/grey'] as $n => $pointer) {
            $why = [...$places, $reference, $grey][$n]->refused($pointer === '/data/grey');
            $why === null || throw InvalidDocument::at($pointer, $why);
        }
        $found = [];
        $reasons = [];
        foreach ($places as $i => $it) {
            $compared = ColourCompared::read(Node::parse(
                "{\"before\": {$it->document()}, \"reference\": {$reference->document()}, \"grey\": {$grey->document()}}",
            ));
            $found[] = new SpotColour(
                $compared->before->l, $compared->before->a, $compared->before->b, $compared->before->yellowness(), $compared->deltaBefore() ?? 0.0,
            );
            $i === 0 && $reasons = $compared->reasons();
        }

        return Shape::of(self::class)->with($this, ['found' => $found, 'reasons' => $reasons]);
    }

    /** The largest difference from the reference: the part is as far as its worst corner. */
    public function delta(): float
    {
        return max([0.0, ...array_map(static fn (SpotColour $it): float => $it->delta, $this->found)]);
    }

    /** The place that lags, from 1; null when they are alike to the eye. */
    public function lags(): ?int
    {
        $deltas = array_map(static fn (SpotColour $it): float => $it->delta, $this->found);

        return count($deltas) < 2 || max($deltas) - min($deltas) <= self::UNSEEN ? null : (int) array_search(max($deltas), $deltas, true) + 1;
    }

    public function sentence(string $text): string
    {
        $lags = $this->lags();

        return "{$this->part}: ".number_format($this->delta(), 1).' from the reference'
            .(($this->found[0]->yellowness ?? null) === null ? '' : ', yellowness '.number_format($this->found[0]->yellowness, 0))
            .($this->hours === null
                ? ''
                : ', after '.rtrim(rtrim(number_format($this->hours, 1), '0'), '.').' h').($lags === null ? '' : ", place {$lags} lags");
    }
}
