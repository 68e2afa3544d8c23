<?php

declare(strict_types=1);

namespace Ash\Setup;

use Ash\Document\Node;
use Ash\Facts\Answered;
use Ash\Facts\Fact;

/** All numbers of a machine on one page: who holds what, what clashes, and the ways out. */
final readonly class SetupSheet implements Fact
{
    /** @param list<SettingSaid> $settings of each block the last word */
    private function __construct(public array $settings, public AssignFound $found)
    {
    }

    /** @param list<SettingSaid> $said in time order; null without one */
    public static function of(array $said): ?self
    {
        $last = [];
        foreach ($said as $it) {
            $last[$it->key()] = $it;
        }
        if ($last === []) {
            return null;
        }
        $devices = [];
        foreach ($last as $it) {
            $devices[mb_strtolower($it->device)] ??= ['name' => $it->device, 'settings' => []];
            $devices[mb_strtolower($it->device)]['settings'][] = $it->document();
        }

        return new self(array_values($last), Assign::read(Node::parse(json_encode(['devices' => array_values($devices)], JSON_THROW_ON_ERROR)))->found());
    }

    /** @return list<string> each clash in words, with both devices */
    public function clashes(): array
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
            static fn (array $it): string => "{$it[0]->block} of {$it[0]->device} from {$it[0]->stands()->words()} to {$it[0]->options[$it[1]]->words()}",
            $this->plans()[0] ?? [],
        );
    }

    /** @return list<array{Takes, string, string, ?string}> what is taken: by what, where, by whom; and its setting */
    public function held(): array
    {
        $rows = [];
        foreach (Takes::cases() as $takes) {
            foreach ($this->settings as $it) {
                if ($it->takes === $takes) {
                    $rows[] = [$takes, $it->stands()->value.($it->length === null ? '' : sprintf(', %d long', $it->length)), $it->device, $it->block];
                }
            }
        }

        return $rows;
    }

    /** @return list<int> places of a resource that nobody holds */
    public function free(Takes $takes): array
    {
        $held = [];
        foreach ($this->settings as $it) {
            $it->takes === $takes && $held[] = (int) $it->stands()->value;
        }

        return $held === [] ? [] : array_values(array_diff($takes->places(), $held));
    }

    /** @return list<Answered> a clash, or a sheet of two settings and more that is clear */
    public function answers(): array
    {
        $clashes = $this->clashes();

        return match (true) {
            $clashes !== [] => [new Answered('setup', 'conflict', $clashes[0])],
            count($this->settings) > 1 => [new Answered('setup', 'fine', count($this->settings).' settings were written down and nothing clashes')],
            default => [],
        };
    }
}
