<div id="new-customer-said" data-part>
    @if($complaint->on('new-customer'))
        <p class="complaint" role="alert">{{ $complaint->message() }}</p>
        @foreach($complaint->duplicates() as $found)
            <button type="button" class="quiet-act me-2 mt-1" data-puts="{{ $found->id }}">Use {{ $found->name }} <span
                class="code soft">{{ $found->number }}</span></button>
        @endforeach
        @if($complaint->duplicates() !== [])
            <label class="d-inline-flex gap-2 align-items-center mt-1"><input type="checkbox"
                class="form-check-input m-0" name="sure" value="1"> This is somebody else</label>
        @endif
    @endif
</div>
