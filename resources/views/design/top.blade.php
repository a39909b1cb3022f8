@use('Elmstone\Staff\AtTill')
<header class="top">
    <a class="name" href="/counter">Elmstone</a>
    @foreach($menu as $word)<a href="{{ route($word->pages[0]->route) }}" @if($word->isHere()) aria-current="page"
        @endif>{{ $word->name }}</a>
    @endforeach
    <div class="end">
        @php($atTill = app(AtTill::class))
        @php($waiting = Elmstone\Paper\Outbox::waitingAt($atTill->till()))
        @if($waiting > 0)<a class="ochre"
            href="{{ route('waiting') }}">{{ $waiting === 1 ? 'A paper waits' : "{$waiting} papers wait" }}</a>@endif
        <span>{{ $atTill->till()->location->town }} · {{ $atTill->till()->name }}</span>
        <div class="drop" x-data="drop" @keydown.escape="hideAndReturn" @click.outside="hide">
            <button type="button" id="person-open" x-ref="opener" @click="flip" :aria-expanded="shown"
                aria-controls="person-panel"><b>{{ auth()->user()->name }}</b> serving</button>
            <div class="drop-panel" id="person-panel" x-ref="panel" x-show="shown" x-cloak>
                <form method="post" action="/change-person">
                    @csrf
                    <h2>Someone else serves</h2>
                    <div class="row g-2">
                        <div class="col-5">
                        <label for="change-number" class="small soft">Staff number</label><input class="form-control"
                            id="change-number" name="number" inputmode="numeric" autocomplete="off" required></div>
                        <div class="col-7">
                        <label for="change-pin" class="small soft">PIN</label><input class="form-control"
                            id="change-pin" name="pin" type="password" inputmode="numeric" autocomplete="off" required>
                            </div>
                    </div>
                    <button class="quiet-act mt-2">Change person</button>
                </form>
                <form method="post" action="/sign-out" class="mt-3 pt-2 border-top">
                @csrf <button
                    class="link-act">Sign out, {{ auth()->user()->role->label() }} {{ auth()->user()->number }}</button>
                    </form>
                <form method="post" action="{{ route('sign-out.everywhere') }}">
                @csrf <button class="link-act small">Sign out at every till</button></form>
            </div>
        </div>
        <div class="drop" x-data="drop" @keydown.escape="hideAndReturn" @keydown.document="byKey" @click.outside="hide">
            <button type="button" id="keys-open" x-ref="opener" @click="flip" :aria-expanded="shown"
                aria-controls="keys-panel" aria-label="Keys"><kbd>?</kbd></button>
            <div class="drop-panel keys-panel" id="keys-panel" x-ref="panel" x-show="shown" x-cloak tabindex="-1">
                <h2>Keys</h2>
                <dl class="keys">
                    @foreach([
                        'Enter' => 'take what is shown or named exactly; on an empty line: settle; '
                            .'on empty cash: the exact sum',
                        '↑ ↓' => 'choose, or go from line to line',
                        'Esc' => 'one step back, nothing lost',
                        'Ctrl Enter' => 'post',
                        'Alt N' => 'new slip',
                        'Alt O' => 'other slip',
                        'Alt S' => 'a slip further back',
                        'Alt P' => 'pick up from another till',
                        'Alt W' => 'whole-slip discount',
                        'Alt L' => 'one-off line',
                        'Alt X' => 'remove this line',
                        'Alt M' => 'margin',
                        'Alt R' => 'bring goods back',
                        'Alt I' => 'sell or top up a gift card',
                        'Alt K' => 'a coupon',
                        'Alt C' => 'new customer',
                        'Alt U J H' => 'purchase order, job, who buys',
                        'Alt B' => 'set aside with a note',
                        'Alt Y' => 'another day',
                        'Alt A' => 'other paper: print, mail, none',
                        'Alt V' => 'what this customer owes and bought before',
                        'Space' => 'on a row of the list, in a quantity or a price: a quick look',
                        'Alt G' => 'add what goes with it',
                        'Alt T' => 'take back the last change',
                        'Alt Z' => 'clear the lot',
                        'Alt .' => 'more; then S sold by, E tax or price level, D the drawer, C a copy of the '
                            .'last receipt, P someone else serves',
                        'E L O U' => 'in Settle: a sale, a layaway, an order, a quote',
                        'C D Q' => 'in Settle: cash, card, cheque',
                        'A P' => 'in Settle: charge to account, pay towards it',
                        'G S' => 'in Settle: gift card, store credit',
                        'H T' => 'in Settle: deposit held; take a deposit',
                        'Alt G Q' => 'in a payment: oldest due first, the exact set',
                    ] as $key => $does)
                        <div><dt><kbd>{{ $key }}</kbd></dt><dd>{{ $does }}</dd></div>
                    @endforeach
                        <div><dt><kbd>?</kbd> <kbd>F1</kbd></dt><dd>these keys</dd></div>
                </dl>
                <p class="d-flex gap-3 small mt-2 mb-0" x-data="sounds"><button type="button" class="link-act"
                    @click="flip" x-text="words"></button><button type="button" class="link-act" x-data="prints"
                        @click="now">Print this</button></p>
            </div>
        </div>
    </div>
</header>
@if(session('change_refused'))<p class="banner" role="alert">{{ session('change_refused') }}</p>@endif
<dialog id="idle" class="idle" data-minutes="{{ app(Elmstone\Shop\House::class)->shop()->idle_minutes }}"
    data-lock="{{ route('lock') }}" x-data="idle" @ask-pin.document="ask" @cancel.prevent @submit.prevent="unlock"
    @keydown.window.capture="act" @pointerdown.window.capture="act">
    <form method="post" action="{{ route('unlock') }}" autocomplete="off">
        <h2>{{ auth()->user()->name }}, are you still here?</h2>
        <p class="soft">Nothing happened for a while. Type your PIN to go on; everything is as you left it.</p>
        <label for="idle-pin" class="small soft">PIN</label><input class="form-control" id="idle-pin" name="pin"
            type="password" inputmode="numeric" autocomplete="off" required>
        <p class="complaint" role="alert" hidden></p>
        <button class="quiet-act mt-2">Go on</button>
    </form>
</dialog>
