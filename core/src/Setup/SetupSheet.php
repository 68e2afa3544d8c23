<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;
use Ash\Facts\Answered;
use Ash\Facts\CouldShare;
use Ash\Facts\Fact;
use Ash\Logbook\EntryData;

/** All numbers of a machine on one page: who holds what, what clashes, and the ways out. */
final readonly class SetupSheet implements Fact
{
    /**
     * @param list<SettingSaid>       $settings of each block the last word
     * @param array<string, Reported> $reported of each resource the last word
     */
    private function __construct(
        public array $settings,
        public AssignFound $found,
        public ?ChainSaid $chain,
        public ?CableSaid $cable,
        public array $reported,
    ) {
    }

    /**
     * @param list<EntryData>                $said   in time order; what is no setting, chain, cable or report is left aside
     * @param ?\Closure(string): AssignFound $search what the search finds for its document, where somebody remembers that; otherwise it is searched
     *
     * @return ?self null when nothing is set down
     */
    public static function of(array $said, ?\Closure $search = null): ?self
    {
        $settings = $reported = [];
        $chain = $cable = null;
        foreach ($said as $it) {
            match (true) {
                $it instanceof SettingSaid => $settings[$it->key()] = $it,
                $it instanceof ChainSaid => $chain = $it,
                $it instanceof CableSaid => $cable = $it,
                $it instanceof Reported => $reported[$it->takes->value] = $it,
                default => null,
            };
        }
        $devices = [];
        foreach ($settings as $it) {
            $devices[mb_strtolower($it->device)] ??= ['name' => $it->device, 'settings' => []];
            $devices[mb_strtolower($it->device)]['settings'][] = $it->document();
        }
        $found = ($search ?? self::search(...))(json_encode(['devices' => array_values($devices)], JSON_THROW_ON_ERROR));

        return $settings === [] && $reported === [] && $chain === null && $cable === null
            ? null
            : new self(array_values($settings), $found, $chain, $cable, $reported);
    }

    public static function search(string $document): AssignFound
    {
        return Assign::read(Node::parse($document))->found();
    }

    public function words(): string
    {
        return $this->said().' '.($this->said() === 1 ? 'setting' : 'settings');
    }

    /** @return list<Seen> what the machine reports beside what is written down */
    public function seen(): array
    {
        return array_values(array_filter(array_map(fn (Reported $it): ?Seen => Seen::of($this, $it), array_values($this->reported))));
    }

    /** @return list<Problem> of the chain and of the cable */
    public function problems(): array
    {
        return [...($this->chain?->scsi()->problems() ?? []), ...($this->cable?->floppy()->problems() ?? [])];
    }

    /** @return list<string> what to do at the chain and at the cable */
    public function moves(): array
    {
        return [...($this->chain?->moves() ?? []), ...($this->cable?->moves() ?? [])];
    }

    /** How many things were said of which a clash could be seen. */
    public function said(): int
    {
        return count($this->settings) + count($this->chain->chain ?? []) + count($this->cable->drives ?? []);
    }

    /** @return list<string> each clash in words, with both devices, and what is wrong with the chain and the cable */
    public function clashes(): array
    {
        return [...$this->conflicts(), ...array_map(static fn (Problem $it): string => $it->text, $this->problems())];
    }

    /** @return list<string> */
    private function conflicts(): array
    {
        return array_map(static function (array $it): string {
            $takes = Takes::from($it['resource']);
            $what = $it['at'] !== null
                ? "{$takes->words()} {$it['at']}"
                : sprintf('%s %X to %X', $takes->words(), $it['base'], $it['base'] + $it['length'] - 1);

            return "{$it['owners'][0]} ({$it['settings'][0]}) and {$it['owners'][1]} ({$it['settings'][1]}) both hold {$what}";
        }, $this->found->conflicts);
    }

    /** @return list<list<array{SettingSaid, int}>> the shortest ways out: which setting goes to which of its places */
    public function plans(): array
    {
        $byName = [];
        foreach ($this->settings as $it) {
            $byName[$it->key()] = $it;
        }

        return array_map(static fn (array $plan): array => array_map(static function (array $it) use ($byName): array {
            $setting = $byName[mb_strtolower("{$it['device']}\0{$it['setting']}")];

            return [$setting, (int) array_search($it['to'], array_map(static fn (WayToStand $one): string => $one->value, $setting->options), true)];
        }, $plan), $this->found->plans);
    }

    /** @return list<string> the first way out, a move each */
    public function firstWay(): array
    {
        return array_map(
            static fn (array $it): string => "move {$it[0]->block} of {$it[0]->device} from {$it[0]->stands()->words()} to {$it[0]->options[$it[1]]->words()}",
            $this->plans()[0] ?? [],
        );
    }

    /** @return list<array{Takes, string, string, ?string}> what is taken: by what, where, by whom; and its setting */
    public function held(): array
    {
        $rows = $lengths = [];
        foreach ($this->settings as $it) {
            $it->length === null || $lengths["{$it->device}\0{$it->block}"] = ", {$it->length} long";
        }
        foreach (Takes::cases() as $takes) {
            foreach (Holder::all($this, $takes) as $it) {
                $at = $takes->adds() ? "{$it->place}K" : $takes->written($it->place);
                $rows[] = [$takes, $at.($lengths["{$it->device}\0{$it->where}"] ?? ''), $it->device, $it->where];
            }
        }

        return $rows;
    }

    /** @return list<int> places of a resource that nobody holds */
    public function free(Takes $takes): array
    {
        $held = array_map(static fn (Holder $it): int => $it->place, Holder::all($this, $takes));

        return $held === [] ? [] : array_values(array_diff($takes->places(), $held));
    }

    /** @return list<CouldShare> which resources two devices may both claim, whatever they stand on */
    public function shares(): array
    {
        $ways = [];
        foreach ($this->settings as $it) {
            if (!$it->takes->adds()) {
                $ways[$it->device][$it->takes->value] = true;
            }
        }
        foreach (['id' => array_column($this->chain->chain ?? [], 'name'), 'unit' => array_column($this->cable->drives ?? [], 'name')] as $takes => $names) {
            foreach ($names as $name) {
                $ways[$name][$takes] = true;
            }
        }
        $shares = [];
        foreach ($ways as $a => $one) {
            foreach ($ways as $b => $other) {
                $both = array_keys(array_intersect_key($one, $other));
                if (strcmp((string) $a, (string) $b) < 0 && $both !== []) {
                    $shares[] = new CouldShare((string) $a, (string) $b, array_map(static fn (string $it): string => Takes::from($it)->words(), $both));
                }
            }
        }

        return $shares;
    }

    /** @return list<Answered> a clash, or a sheet of two settings and more that is clear */
    public function answers(): array
    {
        $clashes = $this->clashes();

        return match (true) {
            $clashes !== [] => [new Answered('setup', 'conflict', $clashes[0])],
            $this->said() > 1 => [new Answered('setup', 'fine', $this->said().' settings were written down and nothing clashes')],
            default => [],
        };
    }
}
