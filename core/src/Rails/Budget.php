<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;
use Ash\Quantity\Compare;
use Ash\Quantity\Notation;

/**
 * The sum of what is fitted against the supply's own label. Power counts magnitudes, so a negative rail
 * adds to it. Tight above 80 % and over above 100 % are common practice, no source.
 */
final readonly class Budget
{
    /**
     * @param list<array{name: string, amps: float, pct: float, verdict: BudgetVerdict}> $rails
     * @param list<string>                                                               $reasons
     */
    private function __construct(
        public array $rails,
        public float $loadW,
        public ?float $ratingW,
        public ?float $loadPct,
        public ?BudgetVerdict $totalVerdict,
        public array $reasons,
    ) {
    }

    public static function read(Node $node): self
    {
        $node->only('supply', 'loads');

        return self::of($node->at('supply'), $node->at('loads'));
    }

    public static function of(Node $supply, Node $loads): self
    {
        $supply->only('rails', 'rating_w', 'case_label_w');
        $rails = $supply->at('rails')->items();
        if ($rails === []) {
            $supply->at('rails')->refuse('must list at least one rail');
        }
        Node::distinct(array_map(
            static fn (Node $rail): Node => $rail->only('name', 'nominal_v', 'max_a', 'min_a')->at('name'),
            $rails,
        ));
        $amps = self::loads($loads, array_map(static fn (Node $rail): string => $rail->at('name')->name(), $rails));
        $judged = $reasons = [];
        $watts = 0.0;
        foreach ($rails as $rail) {
            $name = $rail->at('name')->name();
            $sum = $amps["\0{$name}"];
            $watts += abs(self::nominal($rail)) * $sum;
            [$judged[], $reasons[]] = self::rail($rail, $name, $sum);
        }

        return self::total($judged, $watts, self::rating($supply), $reasons);
    }

    private static function nominal(Node $rail): float
    {
        $nominal = $rail->at('nominal_v')->number();

        return $nominal !== 0.0 ? $nominal : $rail->at('nominal_v')->refuse('must not be 0');
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, float> amperes by rail
     */
    private static function loads(Node $list, array $names): array
    {
        $amps = [];
        foreach ($names as $name) {
            $amps["\0{$name}"] = 0.0;
        }
        $loads = $list->items();
        Node::distinct(array_map(static fn (Node $load): Node => $load->only('name', 'amps')->at('name'), $loads));
        foreach ($loads as $load) {
            $load->at('name')->name();
            foreach ($load->at('amps')->members() as $rail => $draw) {
                isset($amps["\0{$rail}"]) || $draw->refuse("there is no rail \"{$rail}\"");
                $amps["\0{$rail}"] += $draw->notNegative();
            }
        }

        return $amps;
    }

    /** @return array{array{name: string, amps: float, pct: float, verdict: BudgetVerdict}, string} */
    private static function rail(Node $rail, string $name, float $amps): array
    {
        $max = $rail->at('max_a')->positive();
        $min = $rail->optional('min_a')?->notNegative() ?? 0.0;
        if ($min > $max) {
            $rail->at('min_a')->refuse('must not be above max_a');
        }
        $pct = $amps / $max * 100;
        $verdict = Compare::below($amps, $min) ? BudgetVerdict::UnderMinimum : self::verdict($pct);
        $sum = "{$name}: ".Notation::plain($amps).' A of '.Notation::plain($max).' A ('.Notation::plain($pct, 3).' %)';
        $reason = $verdict === BudgetVerdict::UnderMinimum
            ? "{$sum}, below the minimum load of ".Notation::plain($min).' A: it may not regulate'
            : "{$sum}: {$verdict->value}";

        return [['name' => $name, 'amps' => $amps, 'pct' => $pct, 'verdict' => $verdict], $reason];
    }

    private static function verdict(float $pct): BudgetVerdict
    {
        return match (true) {
            Compare::above($pct, 100.0) => BudgetVerdict::Over,
            Compare::above($pct, 80.0) => BudgetVerdict::Tight,
            default => BudgetVerdict::Ok,
        };
    }

    /** @return array{?float, ?string} the lower of the ratings given and why */
    private static function rating(Node $supply): array
    {
        $own = $supply->optional('rating_w')?->positive();
        $case = $supply->optional('case_label_w')?->positive();
        $given = array_filter([$own, $case], static fn (?float $watts): bool => $watts !== null);
        if ($given === []) {
            return [null, null];
        }
        $differ = count($given) === 2 && $own !== $case;

        return [min($given), $differ ? 'supply and case labels differ: the lower one is believed' : null];
    }

    /**
     * @param list<array{name: string, amps: float, pct: float, verdict: BudgetVerdict}> $rails
     * @param array{?float, ?string}                                                     $rating
     * @param list<string>                                                               $reasons
     */
    private static function total(array $rails, float $watts, array $rating, array $reasons): self
    {
        [$ratingW, $why] = $rating;
        if ($ratingW === null) {
            return new self($rails, $watts, null, null, null, [...$reasons, 'no rating is given: the total cannot be judged']);
        }
        $pct = $watts / $ratingW * 100;
        $verdict = self::verdict($pct);
        $sum = 'total: '.Notation::plain($watts).' W of '.Notation::plain($ratingW).' W ('.Notation::plain($pct, 3)." %): {$verdict->value}";

        return new self($rails, $watts, $ratingW, $pct, $verdict, [...$reasons, $sum, ...($why === null ? [] : [$why])]);
    }
}
