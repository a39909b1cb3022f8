<?php

declare(strict_types=1);

namespace Elmstone\Shop;

use Elmstone\Support\Database\Record;
use ErrorException;
use Illuminate\Contracts\Cache\Factory;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;

/**
 * What the shop, its places, tills and taxes are set to. Everybody asks for it and hardly anybody changes it, so each
 * machine keeps it until it is changed: whoever writes one of these tables, by whatever way, gives `settings_state`
 * another mark (a trigger does), and what is kept under another mark is read anew.
 */
final class Settings
{
    /** @var list<string> */
    private array $tables = [
        'shop', 'locations', 'tills', 'tax_profiles', 'tax_components', 'tax_rates', 'tax_classes', 'device_choices',
    ];

    /** @var array<string, list<array<string, mixed>>>|null rows by table */
    private ?array $rows = null;

    private ?Shop $shop = null;

    /** @var Collection<int, Location>|null by id */
    private ?Collection $locations = null;

    public function __construct(private readonly Factory $caches)
    {
    }

    /** A room's own table of what is set, kept with the rest. It gives another mark too when it is changed. */
    public function with(string $table): void
    {
        $this->tables[] = $table;
        $this->forget();
    }

    /** @return list<array<string, mixed>> of such a table */
    public function of(string $table): array
    {
        $this->rows ??= $this->kept();

        return $this->rows[$table];
    }

    /** Whoever goes on in the same process, as from page to page, sees what was changed meanwhile. */
    public function forget(): void
    {
        [$this->rows, $this->shop, $this->locations] = [null, null, null];
    }

    public function shop(): Shop
    {
        return $this->shop ??= $this->all('shop', Shop::class)->first()
            ?? throw (new ModelNotFoundException)->setModel(Shop::class);
    }

    /** Whether there is a shop, and it is open. */
    public function isOpen(): bool
    {
        return ($this->of('shop')[0]['opened_at'] ?? null) !== null;
    }

    /** @return Collection<int, Location> by id, each with its taxes */
    public function locations(): Collection
    {
        if ($this->locations !== null) {
            return $this->locations;
        }

        $components = $this->all('tax_components', TaxComponentRecord::class)->sortBy('position');
        $profiles = $this->all('tax_profiles', TaxProfileRecord::class)->keyBy('id');
        $rates = $this->all('tax_rates', TaxRate::class)->sortBy('from_date')->groupBy('tax_component_id');

        foreach ($components as $component) {
            $component->setRelation('rates', $rates->get($component->id) ?? (new TaxRate)->newCollection());
        }

        foreach ($profiles as $profile) {
            $profile->setRelation('components', $components->where('tax_profile_id', $profile->id)->values());
        }

        $this->locations = $this->all('locations', Location::class)->keyBy('id');

        foreach ($this->locations as $location) {
            $location->setRelation('taxProfile', $profiles->get($location->tax_profile_id));
        }

        return $this->locations;
    }

    /**
     * The till with its location and its taxes.
     *
     * @throws ModelNotFoundException
     */
    public function till(int $id): Till
    {
        $till = $this->all('tills', Till::class)->firstWhere('id', $id)
            ?? throw (new ModelNotFoundException)->setModel(Till::class, [$id]);

        return $till->setRelation('location', $this->locations()->get($till->location_id));
    }

    /**
     * The till whose device somebody at a till uses: their own choice there, else what holds for everybody, else its
     * own.
     *
     * @param  int|null  $staff null: whoever is at it
     */
    public function deviceOf(Till $till, DeviceKind $kind, ?int $staff): Till
    {
        $choices = $this->all('device_choices', DeviceChoice::class)
            ->where('till_id', $till->id)
            ->where('kind', $kind);
        $chosen = ($staff === null ? null : $choices->firstWhere('staff_id', $staff))
            ?? $choices->firstWhere('staff_id', 0);

        return $chosen === null || $chosen->uses_id === $till->id ? $till : $this->till($chosen->uses_id);
    }

    /** @return Collection<int, Till> those that one may lend its devices to: at the same place */
    public function tillsBeside(Till $till): Collection
    {
        return $this->all('tills', Till::class)
            ->where('location_id', $till->location_id)
            ->where('training', $till->training)
            ->where('online', $till->online)
            ->sortBy('number')
            ->values();
    }

    /** @return array<string, string> the letter printed beside a line, by tax class */
    public function letters(): array
    {
        return $this->all('tax_classes', TaxClass::class)->pluck('letter', 'code')->all();
    }

    /**
     * @template T of Record
     *
     * @param  class-string<T>  $class
     * @return Collection<int, T>
     */
    private function all(string $table, string $class): Collection
    {
        return (new $class)->newCollection(
            array_map(static fn (array $row): Record => (new $class)->newFromBuilder($row), $this->of($table)),
        );
    }

    /** @return array<string, list<array<string, mixed>>> */
    private function kept(): array
    {
        $mark = DB::table('settings_state')->value('mark');
        $cache = $this->caches->store('file');
        $kept = $cache->get($this->key());

        if (is_string($mark) && is_array($kept) && ($kept['mark'] ?? null) === $mark) {
            return $kept['rows'];
        }

        // What is changed while it is read has another mark by then, and is kept under the old one for nobody.
        $rows = [];

        foreach ($this->tables as $table) {
            $rows[$table] = self::rows($table);
        }

        $this->keep($cache, ['mark' => $mark, 'rows' => $rows]);

        return $rows;
    }

    /**
     * A page does not fail because it cannot be faster the next time; that it cannot stands in the log.
     *
     * @param  array<string, mixed>  $kept
     */
    private function keep(Repository $cache, array $kept): void
    {
        try {
            $cache->forever($this->key(), $kept);
        } catch (ErrorException $failure) {
            report($failure);
        }
    }

    /** Two shops may stand on one machine; and after an upgrade there may be more tables. */
    private function key(): string
    {
        return 'settings of '.DB::getDatabaseName().', '.hash('crc32b', implode(',', $this->tables));
    }

    /** @return list<array<string, mixed>> */
    private static function rows(string $table): array
    {
        $rows = DB::table($table)->get()->all();

        return array_values(array_map(static fn (object $row): array => get_object_vars($row), $rows));
    }
}
