<?php

declare(strict_types=1);

namespace Elmstone\Tests\Feature;

use Elmstone\Devices\CashDrawer;
use Elmstone\Devices\DeviceFailed;
use Elmstone\Devices\Mail;
use Elmstone\Devices\Mailbox;
use Elmstone\Devices\MailRefused;
use Elmstone\Devices\Real\EscPos;
use Elmstone\Devices\Real\NetworkPrinter;
use Elmstone\Devices\Real\SmtpMailbox;
use Elmstone\Devices\ReceiptPrinter;
use Elmstone\Paper\Bounce;
use Elmstone\Paper\Outbox;
use Elmstone\Shop\Settings;
use Elmstone\Shop\Shop;
use Elmstone\Shop\Till;
use Elmstone\Support\KeepsMail;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Process\Process;

/** Mail by SMTP and paper over the network, against servers of our own on loopback. */
final class RealDevicesTest extends FeatureCase
{
    private ?Process $server = null;

    private string $heard = '';

    protected function tearDown(): void
    {
        $this->server?->stop(0);
        is_file($this->heard) && unlink($this->heard);
        parent::tearDown();
    }

    public function test_a_mail_goes_by_smtp_with_its_paper_from_whom_the_shop_set(): void
    {
        $this->mailServer('');
        Shop::query()->firstOrFail()->update([
            'mail_address' => 'counter@quarry.example', 'mail_name' => 'Quarry Lane',
            'mail_reply_to' => 'office@quarry.example',
        ]);
        $this->mail('maren@holt.example');
        $heard = $this->heard();

        foreach (
            [
                'MAIL FROM:<counter@quarry.example>', 'RCPT TO:<maren@holt.example>', 'Subject: Your invoice',
                'Reply-To: office@quarry.example', 'From: Quarry Lane <counter@quarry.example>',
                'filename=INV-1.pdf', base64_encode('%PDF of ours'),
            ] as $words
        ) {
            self::assertStringContainsString($words, $heard);
        }
    }

    public function test_what_the_server_takes_later_is_tried_again_and_what_it_never_takes_is_not(): void
    {
        $this->mailServer('RCPT=450 4.2.1 mailbox busy');
        $this->fails(DeviceFailed::class, 'mailbox busy', fn () => $this->mail('busy@holt.example'));
        $this->server?->stop(0);
        $this->mailServer('RCPT=550 5.1.1 no such user');
        $this->fails(MailRefused::class, 'no such user', fn () => $this->mail('nobody@holt.example'));
        $this->fails(MailRefused::class, 'no mail address', fn () => $this->mail('not an address'));
        $this->server?->stop(0);
        $this->fails(DeviceFailed::class, 'not take it now', fn () => $this->mail('maren@holt.example'));
    }

    public function test_a_mail_that_is_refused_for_ever_stays_in_sight_and_is_not_tried_again(): void
    {
        $this->mailServer('RCPT=550 5.1.1 no such user');
        $sale = $this->sell('LH-1140');
        app()->bind(Mailbox::class, SmtpMailbox::class);
        app()->forgetInstance(Outbox::class);
        $this->as('201')->post("/documents/{$sale->label}/mail", ['mail_to' => 'nobody@holt.example'])
            ->assertSessionHasNoErrors();
        $outbox = app(Outbox::class);
        DB::table('outbox')->where('what', 'mail')->update(['next_try_at' => now()->subMinute()]);
        $outbox->sendDue();
        $row = DB::table('outbox')->where('what', 'mail')->orderByDesc('id')->first();
        self::assertSame('refused', $row?->state);
        self::assertStringContainsString('no such user', (string) $row->trouble);
        self::assertSame(0, $outbox->sendDue());
        $this->get('/waiting')->assertSee('no such user')->assertSee('not tried again');
        $this->post("/waiting/{$row->id}/leave")->assertRedirect();
        self::assertSame('left', DB::table('outbox')->where('id', $row->id)->value('state'));
    }

    public function test_a_notice_that_a_mail_did_not_arrive_is_noted_with_the_customer(): void
    {
        $customer = (int) DB::table('customers')->insertGetId([
            'number' => 4001, 'kind' => 'person', 'name' => 'Louis L', 'name_key' => 'louis l',
        ]);
        app(KeepsMail::class)->mailed($customer, 'louisl@larry.slip.umd.edu', 'Statement');

        foreach (Bounce::read(self::notice()) as $bounce) {
            self::assertTrue(app(KeepsMail::class)->bounced($bounce->recipient, $bounce->why));
        }

        self::assertSame('Did not arrive: 426 connection timed out', DB::table('mail_history')->value('trouble'));
        self::assertSame([], Bounce::read("Subject: Hello\n\nNothing of that kind.\n"));
        self::assertSame([], Bounce::read(str_replace('Action: failed', 'Action: delayed', self::notice())));
        self::assertFalse(app(KeepsMail::class)->bounced('somebody@else.example', 'x'));
    }

    public function test_a_receipt_reaches_the_printer_at_its_address_and_the_drawer_opens(): void
    {
        $port = $this->listen('printer', '');
        $till = $this->printerAt("127.0.0.1:{$port}");
        app(ReceiptPrinter::class)->print($till, 'Receipt', '<html><body><main><h1>Invoice INV-000001</h1><table><tr>'
            .'<td>Limestone hook</td><td class="r">3.85</td></tr></table><div class="rule"></div><div class="centre">'
            .'<div data-code="INV-000001"><svg></svg></div><p>Thank you – see you</p></div></main></body></html>');
        $bytes = $this->heard();
        self::assertStringStartsWith("\x1b@", $bytes);
        self::assertStringContainsString('Limestone hook'.str_repeat(' ', 30)."3.85\n", $bytes);
        self::assertStringContainsString("\x1dk\x49\x0c{BINV-000001", $bytes);
        self::assertStringContainsString('Thank you - see you', $bytes);
        self::assertStringContainsString(str_repeat('-', 48), $bytes);
        self::assertStringEndsWith("\x1dV\x42\x00", $bytes);
        $this->server?->stop(0);
        $till = $this->printerAt('127.0.0.1:'.$this->listen('printer', ''));
        app(CashDrawer::class)->open($till);
        self::assertSame(EscPos::PULSE, $this->heard());
        $this->server?->stop(0);
        $this->fails(DeviceFailed::class, 'does not answer', fn () => app(CashDrawer::class)->open($till));
        $nowhere = $this->printerAt('');
        $this->fails(DeviceFailed::class, 'has no printer', fn () => app(CashDrawer::class)->open($nowhere));
    }

    public function test_a_whole_receipt_of_ours_fits_the_paper(): void
    {
        $sale = $this->sell('LH-1140', '12 x PI-2800');
        $html = (string) $this->get("/documents/{$sale->label}/receipt")->getContent();

        foreach ([48, 32] as $columns) {
            $bytes = EscPos::of($html, $columns);
            $text = (string) preg_replace('/\x1b[@E\x61t].?|\x1d[^{]*\{B|[\x00-\x09\x0b-\x1f]/', '', $bytes);

            foreach (explode("\n", $text) as $line) {
                self::assertLessThanOrEqual($columns, strlen($line), $line);
            }

            self::assertStringContainsString('Limestone hook', $text);
            self::assertStringContainsString($sale->label, $bytes);
        }
    }

    private function mail(string $to): void
    {
        app(SmtpMailbox::class)->deliver(new Mail($to, 'Your invoice', "Here it is.\n", 'INV-1.pdf', '%PDF of ours'));
    }

    private function mailServer(string $answers): void
    {
        $port = $this->listen('smtp', $answers);
        config(['mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => $port,
            'mail.mailers.smtp.scheme' => null, 'mail.mailers.smtp.auto_tls' => false]);
        app('mail.manager')->forgetMailers();
    }

    /** A server of our own for one visitor after another; what it hears is in a file. */
    private function listen(string $kind, string $answers): int
    {
        $this->heard = tempnam(sys_get_temp_dir(), 'heard');
        $this->server = new Process([PHP_BINARY, __DIR__.'/listen.php', $kind, $this->heard, $answers]);
        $this->server->start();
        $this->server->waitUntil(static fn (string $type, string $out): bool => str_contains($out, "\n"));

        return (int) trim($this->server->getOutput());
    }

    private function heard(): string
    {
        for ($tries = 0; $tries < 100 && ! str_contains((string) file_get_contents($this->heard), "\x04"); $tries++) {
            usleep(20_000);
        }

        return rtrim((string) file_get_contents($this->heard), "\x04");
    }

    private function printerAt(string $address): Till
    {
        app()->bind(ReceiptPrinter::class, NetworkPrinter::class);
        app()->bind(CashDrawer::class, NetworkPrinter::class);
        Till::query()->whereKey(1)->update(['printer' => $address]);
        app(Settings::class)->forget();

        return Till::query()->findOrFail(1);
    }

    /** @param  class-string<\Throwable>  $class */
    private function fails(string $class, string $words, \Closure $act): void
    {
        try {
            $act();
            self::fail("Nothing was said of “{$words}”.");
        } catch (DeviceFailed $failure) {
            self::assertInstanceOf($class, $failure);
            self::assertSame($class === MailRefused::class, $failure instanceof MailRefused);
            self::assertStringContainsString($words, $failure->getMessage());
        }
    }

    /** RFC 3464, appendix E.1, "Simple DSN", shortened to the parts that are read. */
    private static function notice(): string
    {
        return <<<'MAIL'
            Date: Thu, 7 Jul 1994 17:16:05 -0400
            From: Mail Delivery Subsystem <MAILER-DAEMON@CS.UTK.EDU>
            Message-Id: <199407072116.RAA14128@CS.UTK.EDU>
            Subject: Returned mail: Cannot send message for 5 days
            To: <owner-info-mime@cs.utk.edu>
            MIME-Version: 1.0
            Content-Type: multipart/report; report-type=delivery-status;
                boundary="RAA14128.773615765/CS.UTK.EDU"

            --RAA14128.773615765/CS.UTK.EDU

            The original message was received at Sat, 2 Jul 1994 17:10:28 -0400
            from root@localhost

            --RAA14128.773615765/CS.UTK.EDU
            content-type: message/delivery-status

            Reporting-MTA: dns; cs.utk.edu

            Original-Recipient: rfc822;louisl@larry.slip.umd.edu
            Final-Recipient: rfc822;louisl@larry.slip.umd.edu
            Action: failed
            Status: 4.0.0
            Diagnostic-Code: smtp; 426 connection timed out
            Last-Attempt-Date: Thu, 7 Jul 1994 17:15:49 -0400

            --RAA14128.773615765/CS.UTK.EDU
            content-type: message/rfc822

            [original message goes here]

            --RAA14128.773615765/CS.UTK.EDU--
            MAIL;
    }
}
