<?php

declare(strict_types=1);

namespace Ash\Rails;

use Ash\Document\Node;

/**
 * A supply rail and what is allowed on it.
 *
 * Magnitudes (m...) are volts in the direction of the nominal: positive when the rail has its right
 * polarity, so that weak, strong and reversed mean the same on +12 V and on -12 V.
 */
final readonly class Rail
{
    /**
     * @param list<string> $protects rails whose chips are damaged when this one is missing
     * @param bool         $standby  on before the supply is switched on
     * @param ?float       $ohmsGood resistance to ground of a good one; null while nobody noted it
     */
    private function __construct(
        public string $name,
        public float $nominalV,
        public Limits $limits,
        public ?float $rippleMaxMvpp,
        public array $protects,
        public bool $needsLoad,
        public bool $optional,
        public RailKind $kind = RailKind::Dc,
        public bool $standby = false,
        public ?float $ohmsGood = null,
    ) {
    }

    public const FIELDS = [
        'name', 'nominal_v', 'kind', 'tolerance', 'limits_v', 'ripple_max_mvpp', 'protects', 'needs_load', 'standby', 'ohms_good', 'optional',
    ];

    public static function read(Node $node): self
    {
        $nominal = $node->at('nominal_v')->number();
        if ($nominal === 0.0) {
            $node->at('nominal_v')->refuse('must not be 0');
        }
        $kind = $node->optional('kind')?->enum(RailKind::class) ?? RailKind::Dc;
        if ($kind === RailKind::Ac) {
            $nominal > 0 || $node->at('nominal_v')->refuse('of an AC rail is RMS: it must be above 0');
            foreach (['ripple_max_mvpp', 'protects'] as $field) {
                $node->optional($field)?->refuse('does not belong to an AC rail');
            }
        }
        $protects = $node->optional('protects')?->items() ?? [];
        Node::distinct($protects);
        $optional = $node->optional('optional')?->bool() ?? false;
        if ($optional && $protects !== []) {
            $node->at('optional')->refuse('a rail that protects others cannot be optional');
        }

        return new self(
            name: $node->at('name')->name(),
            nominalV: $nominal,
            limits: Limits::read($node, $nominal, $kind),
            rippleMaxMvpp: $node->optional('ripple_max_mvpp')?->notNegative(),
            protects: array_map(static fn (Node $name): string => $name->string(), $protects),
            needsLoad: $node->optional('needs_load')?->bool() ?? true,
            optional: $optional,
            kind: $kind,
            standby: $node->optional('standby')?->bool() ?? false,
            ohmsGood: $node->optional('ohms_good')?->positive(),
        );
    }

    /**
     * A list of rails whose names differ and whose `protects` name rails of the list.
     *
     * @param list<string> $more fields beside those of the contract, read by someone else
     *
     * @return array<string, self> by name, in order
     */
    public static function readAll(Node $list, array $more = []): array
    {
        $nodes = $list->items();
        if ($nodes === []) {
            $list->refuse('must list at least one rail');
        }
        $rails = [];
        foreach ($nodes as $node) {
            $rail = self::read($node->only(...self::FIELDS, ...$more));
            $rails["\0{$rail->name}"] ??= $rail;
        }
        Node::distinct(array_map(static fn (Node $node): Node => $node->at('name'), $nodes));
        foreach ($nodes as $node) {
            foreach ($node->optional('protects')?->items() ?? [] as $name) {
                isset($rails["\0{$name->string()}"]) || $name->refuse("there is no rail \"{$name->string()}\"");
                $name->string() !== $node->at('name')->string() || $name->refuse('a rail cannot protect itself');
            }
        }

        return self::byName(array_values($rails));
    }

    /**
     * @param list<self> $rails
     *
     * @return array<string, self> keys are prefixed with NUL, because PHP turns a rail called "12" into an integer key
     */
    public static function byName(array $rails): array
    {
        $named = [];
        foreach ($rails as $rail) {
            $named["\0{$rail->name}"] = $rail;
        }

        return $named;
    }

    /** The same rail judged against another band. */
    public function within(Limits $limits): self
    {
        return new self(
            name: $this->name,
            nominalV: $this->nominalV,
            limits: $limits,
            rippleMaxMvpp: $this->rippleMaxMvpp,
            protects: $this->protects,
            needsLoad: $this->needsLoad,
            optional: $this->optional,
            kind: $this->kind,
            standby: $this->standby,
            ohmsGood: $this->ohmsGood,
        );
    }

    public function magnitude(float $volts): float
    {
        return $this->nominalV > 0 ? $volts : -$volts;
    }

    public function lowMagnitude(): float
    {
        return $this->nominalV > 0 ? $this->limits->low : -$this->limits->high;
    }

    public function highMagnitude(): float
    {
        return $this->nominalV > 0 ? $this->limits->high : -$this->limits->low;
    }

    /** Of nominal; negative when the polarity is wrong. */
    public function ratio(float $volts): float
    {
        return $volts / $this->nominalV;
    }

    /** The verdict counts a load reading for this rail only when the rail needs none or one was attached. */
    public function loaded(Load $load): bool
    {
        return !$this->needsLoad || $load !== Load::None;
    }
}
