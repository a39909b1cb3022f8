<?php

declare(strict_types=1);

namespace Elmstone\Staff\Approvals;

use Elmstone\Core\Money\Money;
use Elmstone\Shop\House;
use Elmstone\Staff\Ability;
use Elmstone\Staff\Rights;
use Elmstone\Staff\Role;
use Illuminate\Support\Facades\DB;

/**
 * The limits of every role: as the shop has set them, else as the program ships. Read once per request.
 *
 * As shipped, in hundreds of the currency's minor unit. Common practice, no source: a clerk's are small, each role
 * after it has about ten times as much, the owner's have no end, but for goods without a receipt, which always take a
 * second person.
 */
final class Limits
{
    /**
     * By matter: for clerk, supervisor and office [per document, per original, per day, may approve]; the owner's are
     * without end.
     */
    private const SHIPPED = [
        'cash' => [[200, 200, 1_000, 0], [500, 500, 2_500, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'card' => [[200, 200, 1_000, 0], [500, 500, 2_500, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'cheque' => [[200, 200, 1_000, 0], [500, 500, 2_500, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'bank_transfer' => [[200, 200, 1_000, 0], [500, 500, 2_500, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'gift_card' => [[500, 500, 2_000, 0], [1_000, 1_000, 5_000, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'store_credit' => [[500, 500, 2_000, 0], [1_000, 1_000, 5_000, 2_500], [2_500, 2_500, 25_000, 25_000]],
        'house_account' => [[2_000, 2_000, 10_000, 0], [10_000, 10_000, 50_000, 25_000], [null, null, null, null]],
        'deposit_held' => [[2_000, 2_000, 10_000, 0], [10_000, 10_000, 50_000, 25_000], [null, null, null, null]],
        'store_credit_paid' => [[0, 0, 0, 0], [50, 50, 250, 500], [500, 500, 2_500, 5_000]],
        'goodwill' => [[0, 0, 0, 0], [0, 0, 0, 500], [0, 0, 0, 5_000]],
        'without_original' => [[0, 0, 0, 0], [0, 0, 0, 500], [0, 0, 0, 5_000]],
        'outside_policy' => [[0, 0, 0, 0], [0, 0, 0, 2_500], [0, 0, 0, 25_000]],
        'void' => [[0, 0, 0, 0], [0, 0, 0, 2_500], [0, 0, 0, 25_000]],
        'gift_card_worth' => [[500, 500, null, 0], [1_000, 1_000, null, 2_500], [2_500, 2_500, null, 5_000]],
        'card_off_line' => [[100, 100, 300, 0], [300, 300, 1_000, 2_000], [1_000, 1_000, 5_000, 10_000]],
        'one_off' => [[500, 500, null, 0], [2_000, 2_000, null, 10_000], [10_000, 10_000, null, 100_000]],
        'below_floor' => [[0, 0, null, 0], [0, 0, null, 2_500], [0, 0, null, 25_000]],
        'charge' => [[0, 0, null, 0], [0, 0, null, 10_000], [0, 0, null, 100_000]],
        'bad_debt' => [[0, 0, 0, 0], [0, 0, 0, 0], [250, 250, 1_000, 5_000]],
        'journal' => [[0, 0, 0, 0], [0, 0, 0, 0], [0, 0, 0, 100_000]],
        'write_off' => [[0, 0, 0, 0], [500, 500, 1_000, 2_500], [2_500, 2_500, 10_000, 25_000]],
    ];

    /** What even the owner does not do alone. */
    private const NEVER_ALONE = [
        'goodwill', 'without_original', 'outside_policy', 'void', 'below_floor', 'charge', 'journal',
    ];

    /** @var array<string, RoleLimit>|null by role and matter */
    private ?array $set = null;

    public function __construct(private readonly House $house, private readonly Rights $rights)
    {
    }

    public function of(Role $role, LimitMatter $matter): RoleLimit
    {
        $this->set ??= $this->read();

        return $this->set["{$role->value}:{$matter->value}"] ?? $this->shipped($role, $matter);
    }

    /** What everybody of this role and above may allow together is less than the amount: who may, in words. */
    public function whoMayApprove(LimitMatter $matter, Money $amount): string
    {
        $roles = array_values(
            array_filter(
                Role::cases(),
                fn (Role $role): bool => $this->rights->may($role, Ability::Approve)
                    && $this->of($role, $matter)->mayApprove($amount),
            ),
        );

        return match ($roles[0] ?? null) {
            Role::Clerk => 'Another clerk can approve.',
            Role::Supervisor => 'A supervisor can approve.',
            Role::Office => 'Somebody of the office can approve.',
            Role::Owner => 'The owner can approve.',
            default => 'Nobody here may approve that much.',
        };
    }

    private function shipped(Role $role, LimitMatter $matter): RoleLimit
    {
        $row = match ($role) {
            Role::Clerk => self::SHIPPED[$matter->value][0],
            Role::Supervisor => self::SHIPPED[$matter->value][1],
            Role::Office => self::SHIPPED[$matter->value][2],
            Role::Owner => in_array($matter->value, self::NEVER_ALONE, true)
                ? [0, 0, 0, null]
                : [null, null, null, null],
        };

        return new RoleLimit(
            ...array_map(
                fn (?int $whole): ?Money => $whole === null ? null : $this->house->money($whole * 100),
                $row,
            ),
        );
    }

    /** @return array<string, RoleLimit> */
    private function read(): array
    {
        $set = [];

        foreach (DB::table('role_limits')->get() as $row) {
            $money = fn (mixed $value): ?Money => is_numeric($value) ? $this->house->money((int) $value) : null;
            $set["{$row->role}:{$row->matter}"] = new RoleLimit(
                $money($row->per_document),
                $money($row->per_original),
                $money($row->per_day),
                $money($row->approves),
            );
        }

        return $set;
    }
}
