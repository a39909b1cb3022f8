<?php

declare(strict_types=1);

namespace Elmstone\Customers;

use Illuminate\Database\Eloquent\Collection;

/** Customers who may be the one that is about to be made: the same phone, the same mail address, or a like name. */
final class FindDuplicates
{
    /** @return Collection<int, Customer> */
    public function handle(string $name, string $phone, string $mail, ?int $except = null): Collection
    {
        $digits = Naming::phone($phone);
        $key = Naming::key($name);

        return Customer::query()
            ->whereNull('merged_into_id')
            ->where(static function ($either) use ($digits, $key, $mail): void {
                $either->where('name_key', $key);

                if (strlen($digits) >= 6) {
                    $either->orWhere('phone_digits', $digits);
                }

                if ($mail !== '') {
                    $either->orWhere('mail', $mail);
                }
            })
            ->when($except !== null, static fn ($query) => $query->where('id', '<>', $except))
            ->orderBy('name')
            ->limit(5)
            ->get();
    }

    /** Why one of them was found, in words. */
    public static function why(Customer $found, string $phone, string $mail): string
    {
        return match (true) {
            $mail !== '' && strcasecmp($found->mail, $mail) === 0 => 'same mail address',
            Naming::phone($phone) !== '' && $found->phone_digits === Naming::phone($phone) => 'same phone',
            default => 'like name',
        };
    }
}
