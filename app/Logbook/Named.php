<?php

declare(strict_types=1);

namespace App\Logbook;

use Ash\Document\Node;
use Illuminate\Database\Query\Builder;

/** A list by name in pages, searched for any of several columns: the next page starts behind a name, whatever was added since. */
final readonly class Named
{
    public const PAGE = 50;

    private function __construct(public string $search, private ?string $afterName, private string $afterId)
    {
    }

    /** @throws \Ash\Document\InvalidDocument */
    public static function asked(Node $query): self
    {
        $search = $query->filled('search')?->text(120) ?? '';
        $after = $query->filled('after');
        if ($after === null) {
            return new self($search, null, '');
        }
        $text = base64_decode(strtr($after->string(), '-_', '+/'), true);
        $parts = $text === false ? [] : explode('|', $text, 2);
        count($parts) === 2 && mb_check_encoding($parts[1], 'UTF-8') && preg_match('/^[0-9a-z]{26}$/i', $parts[0]) === 1
            || $after->refuse('is not a place in this list');

        return new self($search, $parts[1], $parts[0]);
    }

    public static function like(string $search): string
    {
        return '%'.addcslashes(mb_strtolower($search), '%_\\').'%';
    }

    /** Machines that hold the pattern themselves, or whose kind does. */
    public static function machines(Builder $query, string $like): void
    {
        $query->where(static fn (Builder $q) => $q->where('machines.found_by', 'like', $like)
            ->orWhereIn('machines.kind_id', static fn (Builder $kinds) => $kinds->from('kinds')->select('id')->where('found_by', 'like', $like)));
    }

    /** Boards that hold the pattern themselves, or whose machine does. */
    public static function boards(Builder $query, string $like): void
    {
        $query->where(static fn (Builder $q) => $q->where('boards.found_by', 'like', $like)
            ->orWhereIn('boards.kind_id', static fn (Builder $kinds) => $kinds->from('kinds')->select('id')->where('of_board', true)
                ->where('found_by', 'like', $like))
            ->orWhereIn('boards.machine_id', static fn (Builder $machines) => self::machines($machines->from('machines')->select('id'), $like)));
    }

    /**
     * @param \Closure(Builder, string): mixed $found narrows to what holds the pattern, which is in lower case
     *
     * @return array{list<Row>, ?string} the rows of a page, and where the next one starts
     */
    public function page(Builder $query, string $name, string $id, \Closure $found): array
    {
        if ($this->search !== '') {
            $found($query, self::like($this->search));
        }
        $this->afterName === null || $query->where(fn (Builder $q) => $q->where($name, '>', $this->afterName)
            ->orWhere(fn (Builder $q) => $q->where($name, $this->afterName)->where($id, '>', $this->afterId)));
        $rows = array_values(array_map(static fn (object $it): Row => new Row($it), $query->orderBy($name)->orderBy($id)->limit(self::PAGE + 1)->get()->all()));
        $last = count($rows) > self::PAGE ? $rows[self::PAGE - 1] : null;
        $next = $last === null ? null : rtrim(strtr(base64_encode($last->string('id').'|'.$last->string('name')), '+/', '-_'), '=');

        return [array_slice($rows, 0, self::PAGE), $next];
    }
}
