<div id="said" data-part aria-live="polite">
    @if($slip->said !== '')<div class="note done mt-2 mb-0"><p>{{ $slip->said }}</p></div>@endif
    @if($complaint->on('entry') || $complaint->on('slip'))
        <div class="note stop mt-2 mb-0" role="alert"><p>{{ $complaint->message() }}
            @if($complaint->on('entry'))<button type="button" class="link-act ms-2"
                data-toggles="one-off">Add a one-off line <kbd>Alt L</kbd></button>@endif</p></div>
    @endif
</div>
