<?php

declare(strict_types=1);

namespace Elmstone\Tills;

use Elmstone\Core\Money\Refused;
use Elmstone\Shop\Till;
use Illuminate\Support\Facades\DB;

/** Says whether a till has one drawer, or one for each person. Between sessions only. */
final class SetDrawer
{
    /** @throws Refused till_open */
    public function handle(int $id, bool $perPerson): Till
    {
        return DB::transaction(static function () use ($id, $perPerson): Till {
            $till = Till::query()->findOrFail($id);
            OpenSessions::at($till->id) === null
                || throw Refused::because('till_open', "{$till->name} is open: close it first.");
            $till->update(['drawer_per_person' => $perPerson]);

            return $till;
        });
    }
}
