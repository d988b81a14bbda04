"""Files that are sent as they are."""

from fastapi import Request


async def body_of(request: Request, most: int) -> bytes:
    """What is sent, and a little more than ``most`` of what is larger: the receiver refuses it as too large."""
    content = bytearray()
    async for chunk in request.stream():
        content += chunk
        if len(content) > most:
            break
    return bytes(content)
