<div id="unknown" data-part aria-live="assertive">
    @unless($slip->isDone())
    @foreach($slip->unknown ?? [] as $scanned)
        <div class="unknown-scan">
            <strong>Not known</strong><span class="code">{{ $scanned }}</span>
            <span class="soft small">was scanned and is in no list</span>
            <span class="end"><button type="button" class="link-act" data-one-off="{{ $scanned }}">One-off line</button>
            <button type="button" class="link-act" data-sends="{{ route('counter.known', $slip->key) }}"
                data-field="scanned" value="{{ $scanned }}">Take it away</button></span>
        </div>
    @endforeach
    @endunless
</div>
