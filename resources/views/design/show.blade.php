@extends('layout')
@section('title', 'Parts')
@section('main')
<div class="page parts">
    <div class="page-head"><h1>Parts of the pages</h1><span class="soft">for whoever builds on them</span></div>
    <section><h2>Colours</h2><div class="swatches">
    @foreach(['paper', 'sheet', 'line', 'soft', 'ink', 'verdigris', 'ochre', 'brick'] as $colour)
    <div class="swatch swatch-{{ $colour }}">{{ $colour }}</div>@endforeach</div></section>
    <section><h2>Type</h2><h1>Heading of a page</h1>
    <p>Text in words, with a code <span class="code">LH-1140</span> and a figure <span
        class="figure">1,204.75</span>.</p><p class="soft">Soft text explains.</p></section>
    <section><h2>Acts</h2><p><button class="main-act narrow">Main act <kbd>Ctrl ↵</kbd></button></p><p>
    <button class="main-act narrow" aria-disabled="true">Not yet <kbd>Ctrl ↵</kbd></button></p><p>
    <button class="quiet-act">Quiet act</button> <button class="link-act">Act in a line <kbd>Alt W</kbd></button></p>
    </section>
    <section><h2>Messages</h2><div class="note"><p>A note that was left.</p></div><div class="note done">
    <p>Done: saved.</p></div><div class="note look"><p><strong>Look here:</strong> dated 14 Mar 2027, not today.</p>
    </div><div class="note stop"><p><strong>Not allowed:</strong> over the limit by 30.00. A supervisor can approve.</p>
    </div><input class="form-control is-refused w-auto" value="1,234" aria-label="Refused field">
    <p class="complaint">“1,234” can be read two ways: type 1234 or 1.234.</p></section>
    <section><h2>Ruled table</h2><table class="ruled"><thead><tr><th>Number</th><th>Item</th><th class="figure">Net</th>
    </tr></thead><tbody><tr><td><span class="code">INV-000001</span></td><td>Floor adhesive, grey, 20 kg</td>
    <td class="figure">215.46</td></tr><tr><td><span class="code">INV-000002</span></td><td>Copper pipe 28 mm</td>
    <td class="figure">37.05</td></tr></tbody><tfoot><tr class="total"><td></td><td class="figure">Total</td>
    <td class="figure">252.51</td></tr></tfoot></table></section>
    <section><h2>Entry line</h2><div class="entry"><div class="entry-line">
    <input aria-label="Entry line" placeholder=" "><span class="hint">scan, code, name or number</span></div></div>
    </section>
    <section><h2>Tabs</h2><nav class="tabs" aria-label="Example tabs">
    <a class="tab" aria-current="page" href="#main"><span class="what">Walk-in · slate hooks</span><span
        class="sum">31.20</span></a><a class="tab" href="#main"><span class="what">Walk-in</span><span
            class="sum">12.00</span><span class="small">6 min</span></a></nav></section>
    <section><h2>Settlement bar</h2>
    <svg class="bar-svg" viewBox="0 0 288 34" role="img" aria-label="Card 60.00, cash 40.00, left 44.00">
    <rect x="0.5" y="0.5" width="287" height="17" fill="none" stroke="#c9c1b2"/><rect width="120" height="18"
        fill="#5f594f"/><rect x="120" width="80" height="18" fill="#8d8577"/><text x="0" y="31">card</text><text
            x="120" y="31">cash</text><text class="left" x="288" y="31" text-anchor="end">left 44.00</text></svg>
            </section>
    <section><h2>Nothing there</h2><p class="empty">No document matches. Take a filter away, or look at all of them.</p>
    </section>
</div>
@endsection
