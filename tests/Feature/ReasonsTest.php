<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Returns\ReturnReason;
use Elmstone\Returns\WriteOffReason;
use Elmstone\Returns\WriteOffReasons;
use Elmstone\Setup\Sections;
use Elmstone\Shop\SettingChange;
use Elmstone\Shop\Settings;
use Illuminate\Support\Str;
use Illuminate\Testing\TestResponse;
use Symfony\Component\HttpFoundation\Response;

/** The reasons that are offered are the shop’s to set, and what follows from them follows at the counter. */
final class ReasonsTest extends FeatureCase
{
    use Returning;

    public function test_a_reason_is_called_offered_and_counted_as_the_shop_set_it(): void
    {
        $this->keeps([
            'wrong_item_words' => 'picked the wrong one', 'wrong_item_offered' => '', 'damaged_goods' => 'supplier',
        ])->assertSessionHasNoErrors();
        self::assertSame('picked the wrong one', ReturnReason::WrongItem->words());
        self::assertSame('supplier', ReturnReason::Damaged->goodsTo()->value);
        $sold = $this->as('101')->sell('LH-1140');
        $this->slip = (string) Str::uuid();
        $this->add('LH-1140');
        $page = $this->get("/counter/{$this->slip}")->assertOk();
        $page->assertDontSee('picked the wrong one')->assertSee('does not fit');
        // Nor by a request that somebody made up.
        $this->bringsBack($sold->id, $sold->label, 'wrong_item')
            ->assertStatus(422)->assertSee('Choose why it comes back');
        $this->bringsBack($sold->id, $sold->label, 'goodwill')->assertStatus(422);
        $this->bringsBack($sold->id, $sold->label, 'damaged')->assertOk()->assertSee('to the supplier');
        self::assertSame('supplier', $this->slip()->returns()->firstOrFail()->goods_to->value);
        $change = SettingChange::query()->where('what', 'Wrong item: called')->firstOrFail();
        self::assertSame(['wrong item', 'picked the wrong one'], [$change->old, $change->new]);
    }

    public function test_a_line_that_comes_back_gets_no_reason_that_is_not_offered(): void
    {
        $sold = $this->as('101')->sell('LH-1140');
        $this->slip = (string) Str::uuid();
        $this->bringsBack($sold->id, $sold->label, 'not_needed')->assertOk();
        $line = $this->slip()->returns()->firstOrFail();
        // One without a fee, which is for what was posted by mistake.
        $this->does("back/{$line->id}", ['reason' => 'mistake'])->assertStatus(422);
        self::assertSame(ReturnReason::NotNeeded, $line->refresh()->reason);
        $this->does("back/{$line->id}", ['reason' => 'faulty'])->assertOk();
        self::assertSame(ReturnReason::Faulty, $line->refresh()->reason);
    }

    public function test_a_reason_for_writing_off_is_called_and_offered_as_the_shop_set_it(): void
    {
        $this->keeps(['off_spoiled_words' => 'past its date', 'off_stolen_offered' => ''])->assertSessionHasNoErrors();
        $this->as('201')->get('/write-offs')->assertSee('past its date')->assertDontSee('stolen');
        $form = static fn (string $reason): array => [
            'key' => (string) Str::uuid(), 'rows' => [['code' => 'LH-1140', 'quantity' => '1', 'reason' => $reason]],
        ];

        // Nor by a request that somebody made up.
        foreach (['stolen', 'lost in the post', ''] as $none) {
            $this->post('/write-offs', $form($none))
                ->assertSessionHasErrors(['rows.0' => 'Choose why it is written off.']);
        }

        $this->post('/write-offs', $form('spoiled'))->assertSessionHasNoErrors();
        $page = (string) $this->get('/write-offs')->assertSee('Written off as')->getContent();
        self::assertMatchesRegularExpression('/,\s+past its date\s*<.td>/', $page);
    }

    public function test_one_reason_is_always_offered(): void
    {
        $this->keeps(array_fill_keys(array_map(
            static fn (WriteOffReason $reason): string => WriteOffReasons::SET."{$reason->value}_offered",
            WriteOffReason::cases(),
        ), ''))->assertSessionHasErrors();
        $none = array_fill_keys(array_map(
            static fn (ReturnReason $reason): string => "{$reason->value}_offered",
            ReturnReason::forGoods(),
        ), '');
        $this->keeps($none)->assertSessionHasErrors();
        $this->keeps(['faulty_words' => ''])->assertSessionHasErrors();
        self::assertCount(6, ReturnReason::forGoods());
    }

    public function test_where_a_reason_is_typed_the_shops_words_are_offered(): void
    {
        $this->keeps(['money' => "window cleaner\n\n  stamps  ", 'approval' => 'price matched'])
            ->assertSessionHasNoErrors();
        $this->as('201')->get('/till')->assertOk()->assertSee('<option value="stamps">', false)
            ->assertSee('<option value="window cleaner">', false);
        $this->as('101')->add('LH-1140');
        $this->does("lines/{$this->lineId()}", ['price' => '3.00'])
            ->assertStatus(422)->assertSee('list="reasons-approval"', false);
        // They stand on the page itself, which is drawn once, not beside each line.
        $this->get("/counter/{$this->slip}")->assertSee('<option value="price matched">', false);
    }

    /**
     * @param  array<string, string>  $changed
     * @return TestResponse<Response>
     */
    private function keeps(array $changed): TestResponse
    {
        $now = app(Sections::class)->pages()['reasons']->now();
        $kept = $this->as('901')->post('/settings/reasons', [...$now, ...$changed]);
        app(Settings::class)->forget();

        return $kept;
    }

    /** @return TestResponse<Response> */
    private function bringsBack(int $sale, string $label, string $reason): TestResponse
    {
        return $this->does('back', [
            'back' => ["{$sale}:1" => '1'], 'reason' => $reason, 'goods_to' => '', 'found_by' => $label,
        ]);
    }
}
