<?php

declare(strict_types=1);

namespace Elmstone\Staff;

use Carbon\CarbonImmutable;
use Elmstone\Core\Money\Refused;
use Illuminate\Support\Facades\Hash;

/**
 * Finds out whether a staff number and PIN belong together. After five wrong tries in a row the number is locked for
 * fifteen minutes; the answer never says which of the two was wrong.
 */
final class CheckPin
{
    public const TRIES = 5;

    public const LOCKED_MINUTES = 15;

    /** Hashed once, so that an unknown number takes as long to refuse as a wrong PIN. */
    private const NOBODY = '$2y$10$tB3zWv2lQJc4nOa0Y4N6JOqxW5E3kq2mD1VHqTj9iCkQyC0m0l8eC';

    /** @throws Refused wrong_pin, locked */
    public function handle(string $number, string $pin): Staff
    {
        $staff = Staff::query()->where('number', $number)->where('active', true)->first();

        if ($staff === null) {
            password_verify($pin, self::NOBODY);

            throw self::wrong();
        }

        if ($staff->isLocked()) {
            throw Refused::because('locked', "Too many wrong tries. Staff number {$number} is locked until {$staff->locked_until?->format('H:i')}; the owner can unlock it.");
        }

        if (! Hash::check($pin, $staff->pin_hash)) {
            $this->countWrongTry($staff);

            throw self::wrong();
        }

        if ($staff->failed_tries > 0) {
            $staff->update(['failed_tries' => 0, 'locked_until' => null]);
        }

        return $staff;
    }

    private function countWrongTry(Staff $staff): void
    {
        Staff::query()->whereKey($staff->id)->increment('failed_tries');

        if ($staff->failed_tries + 1 >= self::TRIES) {
            $staff->update(['failed_tries' => 0, 'locked_until' => CarbonImmutable::now()->addMinutes(self::LOCKED_MINUTES)]);
        }
    }

    private static function wrong(): Refused
    {
        return Refused::because('wrong_pin', 'That staff number and PIN do not belong together.');
    }
}
