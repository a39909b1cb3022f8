<?php

declare(strict_types=1);

namespace Elmstone\Counter\Post;

use Elmstone\Cards\CardRequest;
use Elmstone\Cards\CardState;
use Elmstone\Core\Money\Refused;
use Elmstone\Counter\Slip\Slip;
use Elmstone\Counter\Slip\SlipState;
use Elmstone\Shop\Till;
use Elmstone\Staff\Doors\SecurityEvent;
use Elmstone\Staff\Doors\SecurityLog;
use Elmstone\Staff\Staff;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** Makes a till one for training, or a real one again: with no slip on it, and no card whose money is not posted. */
final class SetTraining
{
    /** @throws Refused slips_open, card_unknown */
    public function handle(Till $till, bool $training, Staff $by): void
    {
        DB::transaction(static function () use ($till, $training, $by): void {
            $till = Till::query()->lockForUpdate()->findOrFail($till->id);
            self::assertEmpty($till);
            $till->update(['training' => $training]);
            SecurityLog::write(
                SecurityEvent::SettingChanged,
                $by,
                "{$till->name} is ".($training ? 'for training' : 'a real till'),
            );
        });
    }

    private static function assertEmpty(Till $till): void
    {
        $open = Slip::query()
            ->where('till_id', $till->id)
            ->where('state', SlipState::Open)
            ->where(
                static fn (Builder $any) => $any->where('title', '<>', '')
                    ->orWhere('total', '<>', 0)
                    ->orWhereHas('cards'),
            )
            ->count();
        $open === 0 || throw Refused::because(
            'slips_open',
            "{$till->name} has ".($open === 1 ? 'a slip' : "{$open} slips").' set aside. Post or clear them first, or '
                .'pick them up at another till.',
        );
        $asked = CardRequest::query()
            ->where('till_id', $till->id)
            ->whereNull('document_id')
            ->whereIn('state', CardState::live())
            ->exists();
        $asked && throw Refused::because(
            'card_unknown',
            "At {$till->name} a card was asked for something that is not posted yet. Settle that first.",
        );
    }
}
