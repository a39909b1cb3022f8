<?php

declare(strict_types=1);

namespace Elmstone\Setup;

use Elmstone\Shop\SettingRecord;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Elmstone\Staff\Staff;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Keeps a part of what can be set, all of it or nothing, and puts on record what is different. */
final readonly class KeepSection
{
    public function __construct(private Settings $settings)
    {
    }

    /**
     * @param  array<mixed>  $given
     * @param  Staff|null  $by null: as the shop is set up
     *
     * @throws ValidationException
     */
    public function handle(Section $section, array $given, ?Staff $by): void
    {
        DB::transaction(function () use ($section, $given, $by): void {
            // One after the other: what is different is what this one changed.
            Shop::query()->lockForUpdate()->first();
            $before = $section->words();
            $section->keep($given);
            $this->settings->forget();
            SettingRecord::write($section->title(), SettingRecord::between($before, $section->words()), $by?->id);
            $shop = Shop::query()->firstOrFail();
            $shop->opened_at === null && $shop->update([
                'set_up' => array_values(array_unique([...$shop->set_up ?? [], $section->key()])),
            ]);
        });
        $this->settings->forget();
    }
}
