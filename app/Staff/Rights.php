<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Elmstone\Shop\Settings;
use Illuminate\Support\Facades\DB;

/**
 * What each role may do: as the shop has set it, else as the program ships. The owner may do everything, and only the
 * owner says what others may: who could, could give themselves the rest.
 */
final class Rights
{
    public const TABLE = 'role_rights';

    public function __construct(private readonly Settings $settings)
    {
    }

    public function may(Role $role, Ability $ability): bool
    {
        return self::isFixed($role, $ability) ? self::asShipped($role, $ability)
            : $this->set()["{$role->value} {$ability->value}"] ?? self::asShipped($role, $ability);
    }

    /** @return list<Role> those that may */
    public function whoMay(Ability $ability): array
    {
        return array_values(array_filter(Role::cases(), fn (Role $role): bool => $this->may($role, $ability)));
    }

    /** Whether it cannot be set otherwise. */
    public static function isFixed(Role $role, Ability $ability): bool
    {
        return $role === Role::Owner || $ability === Ability::ManageStaff;
    }

    public static function asShipped(Role $role, Ability $ability): bool
    {
        return in_array($role, $ability->roles(), true);
    }

    /**
     * Sets what a role may. What is as the program ships is not kept: it follows the program.
     *
     * @param  list<Ability>  $may
     * @return array<string, array{string, string}> what was changed: before and after, by its words
     */
    public function keep(Role $role, array $may): array
    {
        $changed = [];

        foreach (Ability::cases() as $ability) {
            $wanted = in_array($ability, $may, true);
            $was = $this->may($role, $ability);

            if (self::isFixed($role, $ability) || $wanted === $was) {
                continue;
            }

            $changed[$ability->words()] = [$was ? 'may' : 'may not', $wanted ? 'may' : 'may not'];
            $row = DB::table(self::TABLE)->where('role', $role->value)->where('ability', $ability->value);
            $wanted === self::asShipped($role, $ability)
                ? $row->delete()
                : DB::table(self::TABLE)->upsert(
                    [['role' => $role->value, 'ability' => $ability->value, 'may' => $wanted]],
                    ['role', 'ability'],
                    ['may'],
                );
        }

        $changed === [] || $this->settings->forget();

        return $changed;
    }

    /** @return array<string, bool> by role and ability */
    private function set(): array
    {
        $set = [];

        foreach ($this->settings->of(self::TABLE) as $row) {
            $set["{$row['role']} {$row['ability']}"] = (bool) $row['may'];
        }

        return $set;
    }
}
