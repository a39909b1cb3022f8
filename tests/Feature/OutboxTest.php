<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Books\Document;
use Elmstone\Paper\Outbox;
use Elmstone\Paper\Outgoing;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What must happen after a posting is written down with it, tried again until it goes, and seen while it waits. */
final class OutboxTest extends FeatureCase
{
    use Charges;

    private function outOfPaper(bool $is): void
    {
        $this->post('/devices/printer', ['broken' => $is ? '1' : '0'])->assertSessionHasNoErrors();
    }

    public function test_a_sale_is_sold_though_the_printer_is_out_of_paper_and_its_receipt_comes_later(): void
    {
        $this->outOfPaper(true);
        $sale = $this->sell('LH-1140');
        $this->assertSame([0, 0], [$this->rows('printed_papers'), $this->rows('paper_issues')]);
        $waiting = Outgoing::query()->firstOrFail();
        $this->assertSame(
            ['waiting', 1, 'The printer of Till 1 is out of paper.'],
            [$waiting->state, $waiting->tries, $waiting->trouble],
        );
        $this->get('/customers')->assertSee('A paper waits');
        $this->get('/waiting')->assertOk()->assertSee($sale->label)->assertSee('out of paper');
        $this->post("/waiting/{$waiting->id}/again")->assertSessionHas('done', 'It still does not go.');
        $this->outOfPaper(false);
        $this->assertSame(0, Artisan::call('outbox:send'));
        $this->assertSame(0, $this->rows('printed_papers'), 'It is not tried without end: the next try is later.');
        $this->travel(2)->minutes();
        Artisan::call('outbox:send');
        Artisan::call('outbox:send');
        $this->assertSame(
            [1, 1, 'sent'],
            [DB::table('printed_papers')->count(), DB::table('paper_issues')->count(), $waiting->refresh()->state],
        );
        $this->assertStringNotContainsString('Copy', (string) DB::table('printed_papers')->value('html'));
        $this->get('/customers')->assertDontSee('A paper waits');
    }

    public function test_a_drawer_does_not_open_long_after(): void
    {
        $opened = static fn (): int => substr_count(
            (string) DB::table('simulated_devices')->where('device', 'drawer')->value('state'),
            '"opened"',
        );
        $this->outOfPaper(true);
        $this->sell('LH-1140');
        $this->assertSame(0, $opened());
        $this->outOfPaper(false);
        $this->travel(5)->minutes();
        Artisan::call('outbox:send');
        $this->assertSame([1, 0], [$this->rows('printed_papers'), $opened()]);
    }

    public function test_a_printer_that_is_there_again_prints_what_waited_with_the_next_sale(): void
    {
        $this->outOfPaper(true);
        $this->sell('LH-1140');
        $this->outOfPaper(false);
        $this->travel(10)->seconds();
        $this->sell('LH-1140');
        $this->assertSame(2, $this->rows('printed_papers'));
    }

    public function test_a_mail_that_did_not_go_waits_too_and_can_be_left(): void
    {
        $sale = $this->sell('LH-1140');
        $this->post('/devices/mailbox', ['broken' => '1']);
        $this->post("/documents/{$sale->label}/mail", ['mail_to' => 'ada@example.test'])->assertSessionHas(
            'done',
            "{$sale->label} goes to ada@example.test.",
        );
        $this->get('/waiting')->assertSee('mail to ada@example.test')->assertSee('The mail server does not answer.');
        $waiting = Outgoing::query()->where('state', 'waiting')->firstOrFail();
        $this->as('101', 2)
            ->post("/waiting/{$waiting->id}/leave")
            ->assertNotFound();
        $this->as('101')
            ->post("/waiting/{$waiting->id}/leave")
            ->assertSessionHasNoErrors();
        $this->post('/devices/mailbox', ['broken' => '0']);
        $this->travel(1)->hours();
        Artisan::call('outbox:send');
        $this->assertSame([0, 'left'], [$this->rows('sent_mails'), $waiting->refresh()->state]);
    }

    public function test_it_is_written_with_the_posting_or_not_at_all(): void
    {
        $this->add('LH-1140');
        $this->does('cash', ['cash' => '500']);
        $version = $this->slip()->version;
        $this->does('post', ['version' => (string) ($version - 1)])->assertStatus(422);
        $this->assertSame(0, $this->rows('outbox'));
        $this->does('post', ['version' => (string) $version])->assertOk();
        $this->does('post', ['version' => (string) $version])->assertOk();
        $this->assertSame([1, 1], [DB::table('outbox')->count(), DB::table('printed_papers')->count()]);
    }

    public function test_two_who_send_at_once_send_once(): void
    {
        $this->outOfPaper(true);
        $this->sell('LH-1140');
        $this->outOfPaper(false);
        $id = (int) DB::table('outbox')->value('id');
        $this->assertSame([true, false], [app(Outbox::class)->send($id), app(Outbox::class)->send($id)]);
        $this->assertSame(1, $this->rows('printed_papers'));
    }

    public function test_what_the_office_posts_is_handed_over_the_same_way(): void
    {
        $customer = $this->account();
        $this->charge($customer, 'LH-1140');
        $this->pay($customer, '10.00');
        $this->as('301');
        $this->outOfPaper(true);
        $credit = Document::query()->where('purpose', 'payment')->firstOrFail();
        $this->post("/accounts/{$customer->number}/items/{$credit->label}/pay-out", [
            'key' => (string) Str::uuid(),
            'amount' => '5.76',
            'way' => 'cheque',
            'reference' => '12',
            'reason' => 'asked',
        ])->assertSessionHasNoErrors();
        $this->assertSame(1, DB::table('outbox')->where('what', 'hand_over')->where('state', 'waiting')->count());
    }
}
