<?php

declare(strict_types=1);

namespace Elmstone\Returns;

use Elmstone\Catalogue\Department;
use Elmstone\Shop\House;
use Illuminate\Support\Facades\DB;

/** Which policy an item has: its own, else its department's, else the shop's. Read once per request. */
final class Policies
{
    /** @var array<int, ReturnPolicy>|null */
    private ?array $all = null;

    /** @var array<int, int|null> by department */
    private array $departments = [];

    public function __construct(private readonly House $house)
    {
    }

    /** @param  int|null  $own the item's policy */
    public function for(?int $own, ?int $department): ReturnPolicy
    {
        $this->read();
        $id = $own ?? ($this->departments[$department ?? 0] ?? $this->house->shop()->return_policy_id);

        return $this->all[$id ?? 0]
            ?? new ReturnPolicy([
                'name' => 'Nothing said',
                'returnable' => true,
                'days' => null,
                'fee_percent' => '0',
                'words' => '',
            ]);
    }

    /**
     * @param  iterable<int|null>  $items ids
     * @return array<int, int|null> by item
     */
    public static function ofItems(iterable $items): array
    {
        $ids = array_values(
            array_filter(
                is_array($items) ? $items : iterator_to_array($items),
                static fn (mixed $id): bool => $id !== null,
            ),
        );

        return $ids === [] ? [] : DB::table('items')->whereIn('id', $ids)->pluck('return_policy_id', 'id')->all();
    }

    private function read(): void
    {
        if ($this->all === null) {
            $this->all = [];

            foreach (ReturnPolicy::query()->orderBy('id')->get() as $policy) {
                $this->all[$policy->id] = $policy;
            }

            $this->departments = Department::query()->pluck('return_policy_id', 'id')->all();
        }
    }
}
